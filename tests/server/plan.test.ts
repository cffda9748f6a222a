import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { planOf } from "@/db/queries/plan";
import { allSkillStates } from "@/db/queries/summaries";
import { planFigure } from "@/features/plan/figure";
import { comingGaps } from "@/features/plan/reads/comesNext";
import { planView } from "@/features/plan/reads/planView";
import { changePlan } from "@/features/plan/writes/changePlan";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import { undoChange } from "@/server/history/undoChange";
import { classPlanOf } from "@/server/plan/classPlan";
import type { Context } from "@/server/runtime/context";
import {
  give,
  givePractice,
  makeClass,
  onlyDaysOfSkills,
  open,
  type TestSchool,
  TODAY,
  testSchool,
} from "../support/school";

let school: TestSchool;
let ana: Context;
let classId: string;
let sisterId: string;
let studentIds: readonly string[];
beforeEach(async () => {
  school = await testSchool();
  ana = await school.teacher();
  ({ classId, studentIds } = await makeClass(school, 2));
  ({ classId: sisterId } = await makeClass(school, 1, "6 Birch"));
  ana = await school.teacher();
});
afterEach(() => school.close());

const planNow = (id = classId) => classPlanOf(school.db.read, school.runtime, id);
const names = async (id = classId) =>
  (await planNow(id)).slots.map(({ unitId, skillIds, title }) => unitId ?? (skillIds.join() || title));
const spans = async (id = classId) =>
  (await planNow(id)).dates.map(({ dates }) => (dates ? `${dates.fromDay} ${dates.targetDay}` : "none"));
const FIRST = "2026-11-30";
const choose = (classIds: readonly string[] = [classId, sisterId]) =>
  choosePlan(ana, { classIds, subjectId: "mathematics", grade: 6, firstDay: FIRST, weekdays: [1, 3] });
const change = (over: object) => changePlan(ana, { classIds: [classId], ...over });
const slotId = async (place: number, id = classId) => (await planNow(id)).slots[place]?.id ?? "";

describe("the plan of a class", () => {
  it("begins as the units of its grade, from the term's first day on", async () => {
    expect(await names()).toEqual(["how-amounts-go-together", "for-each-and-of-each-hundred"]);
    expect((await spans())[0]).toBe("2026-09-14 2026-10-09");
  });

  it("that has but the days of its skills is a slot for each, on its days", async () => {
    const entries = await planOf(school.db.read, classId);
    await onlyDaysOfSkills(school, classId);
    const plan = await planNow();
    expect(entries.length).toBeGreaterThan(3);
    expect(plan.row).toBe(null);
    expect(plan.dates.map(({ dates }) => [dates?.fromDay, dates?.targetDay])).toEqual(
      entries.map(({ fromDay, targetDay }) => [fromDay, targetDay]),
    );
  });

  it("is made from the units of a grade, dated by lessons, for two classes at once, and taken back as one", async () => {
    const before = await planOf(school.db.read, classId);
    const { changeId } = await choose();
    expect(await names()).toEqual(["how-amounts-go-together", "for-each-and-of-each-hundred"]);
    // Four weeks of two lessons: Monday and Wednesday.
    expect(await spans()).toEqual(["2026-11-30 2026-12-23", "2026-12-28 2027-01-20"]);
    expect(await spans(sisterId)).toEqual(await spans());
    const entries = await planOf(school.db.read, classId);
    expect(entries.map(({ skillId }) => skillId)).toEqual([
      "ratio-language",
      "equivalent-ratios",
      "ratio-tables",
      "unit-rates",
      "comparing-rates",
      "percent-of-amounts",
    ]);
    expect(entries[0]).toMatchObject({ fromDay: FIRST, targetDay: "2026-12-07" });
    await undoChange(ana, changeId);
    expect(await planOf(school.db.read, classId)).toEqual(before);
    expect((await spans(sisterId))[0]).toBe("2026-09-14 2026-10-09");
  });

  it("moves its dates with each change, in the sister class too where that has the slot, and says where not", async () => {
    await choose();
    const [ratios, rates] = [await slotId(0), await slotId(1)];
    const moved = await change({ classIds: [classId, sisterId], what: "move", slotId: rates, place: 0 });
    expect(moved.without).toEqual([]);
    expect(await names(sisterId)).toEqual(["for-each-and-of-each-hundred", "how-amounts-go-together"]);
    await change({ what: "change", slotId: rates, values: { lessons: 2 } });
    expect(await spans()).toEqual(["2026-11-30 2026-12-02", "2026-12-07 2026-12-30"]);
    expect((await spans(sisterId))[0]).toBe("2026-11-30 2026-12-23");
    const put = { id: school.runtime.newId(), title: "Open day" };
    await change({ what: "insert", slot: put, place: 1 });
    expect(await names()).toEqual(["for-each-and-of-each-hundred", "Open day", "how-amounts-go-together"]);
    const taken = await change({ classIds: [classId, sisterId], what: "remove", slotId: put.id });
    expect(taken.without).toEqual(["6 Birch"]);
    await change({ what: "change", slotId: rates, values: { skipped: true } });
    expect(await spans()).toEqual(["none", "2026-11-30 2026-12-23"]);
    expect((await planOf(school.db.read, classId)).map(({ skillId }) => skillId)).not.toContain("unit-rates");
    // Whoever only made room was not changed.
    const versions = new Map((await planNow()).slots.map(({ id, version }) => [id, version]));
    expect(versions.get(ratios)).toBe(1);
    expect(versions.get(rates)).toBeGreaterThan(1);
  });

  it("takes a last day for its lessons, and a first day of its own", async () => {
    await choose();
    const id = await slotId(0);
    await change({ what: "change", slotId: id, values: { untilDay: "2026-12-09" } });
    expect((await planNow()).slots[0]?.lessons).toBe(4);
    await change({ what: "change", slotId: id, values: { fromDay: "2026-12-07", untilDay: "2026-12-09" } });
    expect((await spans())[0]).toBe("2026-12-07 2026-12-09");
    await expect(change({ what: "change", slotId: id, values: { untilDay: "2026-11-30" } })).rejects.toThrow(
      "There is no lesson",
    );
  });

  it("tells what is due this week, a slot that no term holds, and counts no extra towards its position", async () => {
    await choosePlan(ana, {
      classIds: [classId],
      subjectId: "mathematics",
      grade: 6,
      firstDay: TODAY,
      weekdays: [1, 3],
    });
    await change({ what: "change", slotId: await slotId(1), values: { lessons: 60 } });
    const view = await planView(ana, classId);
    expect(view.thisWeek).toEqual([{ id: "ratio-language", name: "Ratio language", until: "30 Nov" }]);
    expect(view.slots.map(({ isLongerThanTerm }) => isLongerThanTerm)).toEqual([false, true]);
    expect(view.position.text).toContain("Ratio language");
    await change({ what: "change", slotId: await slotId(0), values: { counted: false } });
    const extra = await planView(ana, classId);
    expect(extra.position.text).toContain("Unit rates");
    expect(extra.done?.of).toBe(3);
    expect((await planFigure(ana, [classId])).text).toContain("Unit rates");
  });

  it("keeps the dates behind a change if so wished", async () => {
    await choose();
    const rates = (await spans())[1];
    await change({ what: "change", slotId: await slotId(0), values: { lessons: 3 }, behind: "keep-dates" });
    expect((await spans())[1]).toBe(rates);
  });

  it("never touches what students have shown", async () => {
    const workId = await givePractice(school, classId, studentIds, { skillIds: ["equivalent-ratios"] });
    let view = await open(school, studentIds[0] ?? "", workId);
    for (let n = 0; n < 4; n++) view = (await give(school, studentIds[0] ?? "", view, "right")).sitting;
    const shown = await allSkillStates(school.db.read);
    await choose();
    await change({ what: "move", slotId: await slotId(1), place: 0 });
    await change({ what: "remove", slotId: await slotId(1) });
    expect(await allSkillStates(school.db.read)).toEqual(shown);
  });

  it("takes each change back, and not one that something was built on", async () => {
    await choose();
    const before = await spans();
    const [ratios] = [await slotId(0)];
    const first = await change({ what: "change", slotId: ratios, values: { lessons: 4 } });
    const second = await change({ what: "change", slotId: ratios, values: { lessons: 6 } });
    await expect(undoChange(ana, first.changeId ?? "")).rejects.toThrow("later change builds on it");
    await undoChange(ana, second.changeId ?? "");
    await undoChange(ana, first.changeId ?? "");
    expect(await spans()).toEqual(before);
    expect(await change({ what: "change", slotId: ratios, values: { lessons: 8 } })).toMatchObject({ changeId: null });
  });
});

it("says what begins next, what it builds on and how many lack it", async () => {
  await choose();
  const workId = await givePractice(school, classId, studentIds, { skillIds: ["times-as-many"], items: 8 });
  let view = await open(school, studentIds[0] ?? "", workId);
  for (let n = 0; n < 8 && view.finished === null; n++)
    view = (await give(school, studentIds[0] ?? "", view, "wrong")).sitting;
  const { comes } = await planView(ana, classId);
  expect(comes).toMatchObject({ title: "Ratios", from: "30 Nov" });
  expect(comes?.buildsOn.map(({ id, lacking, unknown, students }) => [id, lacking, unknown, students])).toEqual([
    ["times-as-many", 1, 1, 2],
    ["equivalent-fractions", 0, 2, 2],
  ]);
  // It begins in five school days: who has planned for it is told of the gap; the sister class has no evidence of one.
  const gaps = () => comingGaps(ana, [classId, sisterId]);
  expect(await gaps()).toMatchObject([
    { classId, title: "Ratios", from: "30 Nov", skillId: "times-as-many", lacking: 1, known: 1 },
  ]);
  school.setNow(school.runtime.now() - 3 * 86_400_000);
  expect(await gaps()).toEqual([]);
});

describe("what a plan refuses", () => {
  it("two who change one slot: the second is told", async () => {
    await choose();
    const plan = await planNow();
    const [slot] = plan.slots;
    const edit = { what: "change", slotId: slot?.id, version: slot?.version };
    await change({ ...edit, values: { lessons: 5 } });
    await expect(change({ ...edit, values: { lessons: 9 } })).rejects.toMatchObject({ code: "conflict" });
    await change({ what: "remove", slotId: slot?.id });
    await expect(change({ ...edit, values: { lessons: 9 } })).rejects.toMatchObject({ code: "conflict" });
  });

  it("a grade without units, no lesson day, a slot of no length, and classes of others", async () => {
    await expect(
      choosePlan(ana, { classIds: [classId], subjectId: "mathematics", grade: 11, firstDay: FIRST, weekdays: [1] }),
    ).rejects.toThrow("No units");
    await expect(
      choosePlan(ana, { classIds: [classId], subjectId: "mathematics", grade: 6, firstDay: FIRST, weekdays: [] }),
    ).rejects.toThrow("at least one day");
    await choose();
    await expect(change({ what: "change", slotId: await slotId(0), values: { lessons: 0 } })).rejects.toThrow(
      "at least one lesson",
    );
    await expect(change({ what: "insert", slot: { id: school.runtime.newId() } })).rejects.toThrow("Choose a unit");
    await expect(change({ what: "insert", slot: () => 1 })).rejects.toMatchObject({ code: "invalid" });
    await expect(
      changePlan(await school.teacher("ben"), { classIds: [classId], what: "remove", slotId: await slotId(0) }),
    ).rejects.toMatchObject({ code: "not-allowed" });
  });
});
