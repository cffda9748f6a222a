import { eq } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { piecesOfSeries } from "@/db/queries/series";
import { skillIdsOfAssignments } from "@/db/queries/work";
import { classStaff } from "@/db/schema/people";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { changeCalendar } from "@/features/plan/writes/changeCalendar";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import { seriesLines, seriesView } from "@/features/work/reads/seriesView";
import { giveSeriesDue } from "@/features/work/writes/giveSeriesDue";
import { endSeries, makeSeries } from "@/features/work/writes/series";
import { undoChange } from "@/server/history/undoChange";
import { newSeries } from "../support/newSeries";
import { give, makeClass, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
});
afterEach(() => school.close());

const DAY = 86_400_000;
const rules = (over: object = {}) => ({ ...newSeries("", "").rules, ...over });
const make = async (over: Record<string, unknown> = {}) => {
  const one = { ...newSeries(school.runtime.newId(), classId), fromDay: "2026-11-23", toDay: "2026-12-11", ...over };
  const { changeId } = await makeSeries(await school.teacher(), one);
  return { id: one.id, changeId };
};
const days = async (id: string) => (await piecesOfSeries(school.db.read, id)).map(({ day }) => day?.slice(5));

/** Lets the days go by, each looked at twice, as two processes do. */
async function passDays(until: number): Promise<void> {
  for (let now = START; now <= until; now += DAY) {
    school.setNow(now);
    await Promise.all([giveSeriesDue(school.runtime), giveSeriesDue(school.runtime)]);
  }
}

describe("a series over three weeks with a day off", () => {
  it("gives a piece on each of its days, once, and on the next school day where school is off", async () => {
    await changeCalendar(await school.teacher("cora"), {
      add: [{ from: "2026-11-30", to: "2026-11-30", name: "Flood" }],
      remove: [],
    });
    const { id } = await make();
    expect(await days(id)).toEqual(["11-23"]);
    expect((await studentHome(school.student(studentIds[0] ?? ""))).now).toMatchObject([{ title: "Again, 23 Nov" }]);
    await passDays(START + 18 * DAY);
    expect(await days(id)).toEqual(["11-23", "11-25", "12-01", "12-02", "12-07", "12-09"]);
    const { coming, pieces } = await seriesView(await school.teacher(), id);
    expect(coming).toEqual([]);
    expect(pieces.map(({ given }) => given)).toEqual([3, 3, 3, 3, 3, 3]);
  });

  it("shows how each piece went, student by student", async () => {
    const { id } = await make({ rules: rules({ items: 2 }) });
    const [piece] = await piecesOfSeries(school.db.read, id);
    let view = await openSitting(school.student(studentIds[0] ?? ""), piece?.id ?? "");
    view = { ...view, ...(await give(school, studentIds[0] ?? "", view, "right")).sitting };
    await give(school, studentIds[0] ?? "", view, "wrong");
    view = { ...view, ...(await give(school, studentIds[0] ?? "", view, "wrong", { tryNumber: 2 })).sitting };
    expect(view.finished).toBe("amount");
    school.setNow(START + 2 * DAY);
    await giveSeriesDue(school.runtime);
    const { pieces, rows } = await seriesView(await school.teacher(), id);
    expect(pieces).toMatchObject([
      { sharePercent: 50, through: 1, given: 3 },
      { sharePercent: null, through: 0, given: 3 },
    ]);
    expect(rows.map(({ cells }) => cells)).toEqual([
      [
        { done: 2, right: 1 },
        { done: 0, right: 0 },
      ],
      [
        { done: 0, right: 0 },
        { done: 0, right: 0 },
      ],
      [
        { done: 0, right: 0 },
        { done: 0, right: 0 },
      ],
    ]);
    expect(await seriesLines(await school.teacher(), [classId])).toMatchObject([{ id, nextDay: "2026-11-30" }]);
  });

  it("goes to who is in the class on the day, asks what the plan taught, and gives nothing where it taught nothing", async () => {
    const { id } = await make({ rules: rules({ source: { by: "plan", weeks: 1 } }) });
    expect(await days(id)).toEqual([]);
    await choosePlan(await school.teacher(), {
      classIds: [classId],
      subjectId: "mathematics",
      grade: 6,
      firstDay: "2026-11-23",
      weekdays: [1, 2, 3, 4, 5],
    });
    school.setNow(START + 7 * DAY);
    await giveSeriesDue(school.runtime);
    expect(await days(id)).toEqual(["11-30"]);
    const [piece] = await piecesOfSeries(school.db.read, id);
    const asked = (await skillIdsOfAssignments(school.db.read, [piece?.id ?? ""])).get(piece?.id ?? "") ?? [];
    expect(asked.length).toBeGreaterThan(0);
    const some = await make({ studentIds: studentIds.slice(0, 1), title: "Some" });
    expect((await seriesView(await school.teacher(), some.id)).pieces).toMatchObject([{ given: 1 }]);
  });

  it("ends at a word and goes on when that is undone; a piece that was withdrawn does not come back", async () => {
    const { id } = await make();
    const { changeId } = await endSeries(await school.teacher(), { seriesId: id });
    school.setNow(START + 2 * DAY);
    expect(await giveSeriesDue(school.runtime)).toBe(0);
    await undoChange(await school.teacher(), changeId);
    expect(await giveSeriesDue(school.runtime)).toBe(1);
    await expect(endSeries(await school.teacher(), { seriesId: "none" })).rejects.toThrow(/not there/);
  });

  it("gives nothing any more in the name of somebody who has left the class", async () => {
    const { id } = await make();
    await school.db.write((tx) =>
      tx.update(classStaff).set({ untilDay: "2026-11-24" }).where(eq(classStaff.personId, "ana")),
    );
    school.setNow(START + 2 * DAY);
    expect(await giveSeriesDue(school.runtime)).toBe(0);
    expect(await days(id)).toEqual(["11-23"]);
  });

  it("is refused in words where nothing could come of it, and sent twice it is there once", async () => {
    await expect(make({ toDay: "2026-11-20" })).rejects.toThrow(/end before it begins/);
    await expect(make({ fromDay: "2026-11-02", toDay: "2026-11-06" })).rejects.toThrow(/are over/);
    await expect(make({ fromDay: "2026-11-24", toDay: "2026-11-24" })).rejects.toThrow(/None of these weekdays/);
    await expect(make({ rules: rules({ weekdays: [] }) })).rejects.toThrow(/at least one weekday/);
    await expect(make({ kind: "quiz" })).rejects.toThrow();
    await expect(make({ studentIds: ["nobody"] })).rejects.toThrow(/no longer in the class/);
    const { id } = await make();
    expect((await make({ id })).changeId).toBeNull();
    expect(await days(id)).toEqual(["11-23"]);
  });
});
