import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { dayNumber } from "@/core/calendar/dayNumber";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { answersOfPerson, scoresOfPerson } from "@/db/queries/answerLog";
import { placementsOf } from "@/db/queries/placements";
import { itemsOfSitting } from "@/db/queries/sittings";
import { skillStatesOf } from "@/db/queries/summaries";
import { studentHome } from "@/features/delivery/reads/studentHome";
import type { SittingView } from "@/features/delivery/types";
import { handInOverdue } from "@/features/delivery/writes/handInOverdue";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { knownOf } from "@/server/classroom/knownOf";
import { libraryOf } from "@/server/library/library";
import { shelvesOf } from "@/server/library/shelf";
import { give, givePractice, makeClass, START, type TestSchool, TODAY, testSchool } from "../support/school";
import { summariesHold } from "../support/summariesHold";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 2));
});
afterEach(() => school.close());

const first = () => studentIds[0] as string;
const STRAND = "mathematics/Ratios and proportional reasoning";

async function giveDiagnostic(over: Record<string, unknown> = {}, scope: object = {}) {
  const library = await libraryOf(school.runtime);
  const own = library.skills.filter(({ strandId }) => strandId === STRAND);
  return givePractice(school, classId, studentIds, {
    kind: "diagnostic",
    title: "Where to begin",
    skillIds: own.map(({ id }) => id),
    items: 20,
    settings: { scope: { strandIds: [STRAND], above: 1, below: 4, ...scope } },
    ...over,
  });
}
const enter = (assignmentId: string): Promise<SittingView> => openSitting(school.student(first()), assignmentId);
const aside = { response: {}, setAside: true };

/** Works a diagnostic to its end; what is shown is answered as told. */
async function workOff(assignmentId: string, how: (n: number) => "right" | "wrong" | "aside") {
  let view: SittingView = await enter(assignmentId);
  for (let n = 0; view.finished === null; n++) {
    const answer = how(n);
    const { sitting } = await give(
      school,
      first(),
      view,
      answer === "aside" ? "wrong" : answer,
      answer === "aside" ? aside : {},
    );
    view = { ...view, ...sitting };
    if (n > 60) throw new Error("A diagnostic of one strand has no end.");
  }
  return view;
}

describe("a diagnostic", () => {
  it("tells nothing, holds nothing ready, and sets aside what was not learned: neither right nor wrong", async () => {
    const id = await giveDiagnostic();
    const view = await enter(id);
    expect(view).toMatchObject({ setsAside: true, reserve: [], lessons: {}, finished: null, mostItems: 20 });
    const set = await give(school, first(), view, "wrong", aside);
    expect(set).toMatchObject({
      outcome: { status: "taken" },
      sitting: { itemsDone: 1, itemsRight: 0, finished: null },
    });
    expect(await scoresOfPerson(school.db.read, first())).toEqual([]);
    expect((await answersOfPerson(school.db.read, first())).map(({ response }) => response)).toEqual([{}]);
    const told = await give(school, first(), { ...view, ...set.sitting }, "right");
    expect(JSON.stringify(told)).not.toContain("verdict");
    await summariesHold(school);
  });

  it("goes on elsewhere at the item where it stood, and the same message again counts once", async () => {
    const id = await giveDiagnostic();
    const view = await enter(id);
    const key = school.runtime.newId();
    const { sitting } = await give(school, first(), view, "wrong", { ...aside, key });
    expect((await give(school, first(), view, "wrong", { ...aside, key })).sitting).toEqual(sitting);
    school.setNow(START + 26 * 3_600_000);
    const elsewhere = await enter(id);
    expect(elsewhere.current).toEqual(sitting.current);
    expect(elsewhere.itemsDone).toBe(1);
    // Another process reads it from what is stored.
    const [stored] = await itemsOfSitting(school.db.read, view.sittingId);
    expect(stored).toMatchObject({ state: "done", setAside: true, earned: null });
    // What is still sent from the first device for what was answered is told so.
    const behind = await give(school, first(), view, "right");
    expect(behind.outcome).toMatchObject({ status: "not-counted", reason: "elsewhere" });
  });

  it("places the student, from which skills without answers start: low and high, each within the scale", async () => {
    const low = await workOff(await giveDiagnostic({ title: "First" }, { above: 0, below: 0 }), () => "wrong");
    expect(low).toMatchObject({ finished: "placed", progress: 1 });
    const [placed] = await placementsOf(school.db.read, [first()]);
    expect(placed).toMatchObject({ strandId: STRAND });
    expect(placed?.theta).toBeLessThan(-1);
    const library = await libraryOf(school.runtime);
    const { states, placements } = (await knownOf(school.db.read, [first()]))(first());
    const gauges = (of: typeof placements) =>
      gaugesOfStudent({ grade: 6, states, placements: of }, library.skills, dayNumber(TODAY));
    const unasked = library.skills.filter(({ id, strandId }) => strandId === STRAND && !states.has(id));
    expect(unasked.length).toBeGreaterThan(2);
    for (const { id } of unasked)
      expect(gauges(placements).get(id)?.chance).toBeLessThan(gauges(new Map()).get(id)?.chance ?? 0);
    await summariesHold(school);
    // The next answers in a skill start from there, and from the latest placement where there are two.
    await workOff(await giveDiagnostic({ title: "Second" }), () => "right");
    const latest = (await knownOf(school.db.read, [first()]))(first()).placements.get(STRAND);
    expect(latest?.theta).toBeGreaterThan(placed?.theta ?? 0);
    const scores = await scoresOfPerson(school.db.read, first());
    expect(scores.some(({ startTheta }) => startTheta !== null)).toBe(true);
    await summariesHold(school);
  });

  it("shows its teacher where each stands with its error, what was not taught, and no mark", async () => {
    const id = await giveDiagnostic();
    await workOff(id, (n) => (n === 1 ? "aside" : n % 2 === 0 ? "right" : "wrong"));
    const { strands, rows } = await workView(await school.teacher(), id);
    expect(strands).toMatchObject([{ id: STRAND, name: "Ratios and proportional reasoning" }]);
    const row = rows.find(({ studentId }) => studentId === first());
    expect(row).toMatchObject({ status: "placed", markPercent: null, passed: null });
    expect(row?.parts[0]?.outcome.placed).toMatchObject([
      { strandId: STRAND, setAside: 1, nearest: expect.any(String) },
    ]);
    expect((await studentHome(school.student(first()))).done).toMatchObject([
      { finished: "placed", hasResults: false },
    ]);
  });

  it("ends with its time: nothing left open is wrong, and what was answered places the student", async () => {
    const id = await giveDiagnostic();
    let view = await enter(id);
    for (let n = 0; n < 3; n++) view = { ...view, ...(await give(school, first(), view, "right")).sitting };
    school.setNow(Date.parse("2026-11-28T08:00:00Z"));
    expect(await handInOverdue(school.runtime)).toBe(1);
    const after = await enter(id);
    expect(after).toMatchObject({ finished: "time-up", current: null, itemsDone: 3 });
    expect(await scoresOfPerson(school.db.read, first())).toHaveLength(3);
    expect(await placementsOf(school.db.read, [first()])).toHaveLength(1);
    await summariesHold(school);
  });

  it("is refused without a strand, and setting aside where a kind of work has none of it", async () => {
    await expect(giveDiagnostic({}, { strandIds: ["mathematics/Nowhere"] })).rejects.toThrow(/at least one strand/);
    await expect(giveDiagnostic({ settings: {} })).rejects.toThrow(/at least one strand/);
    const id = await givePractice(school, classId, studentIds);
    await expect(give(school, first(), await enter(id), "wrong", aside)).rejects.toThrow(/nothing can be set aside/);
  });

  it("answers in a moment, however many draws there are to choose from", async () => {
    const library = await libraryOf(school.runtime);
    const shelves = await shelvesOf(
      school.runtime,
      library.skills.filter(({ strandId }) => strandId === STRAND).map(({ id }) => id),
    );
    expect([...shelves.values()].reduce((sum, { pool }) => sum + pool.length, 0)).toBeGreaterThan(300);
  });
});

describe("a short check and a set to be told apart", () => {
  it("say of each skill whether it is there, and of the set what was right alone and mixed", async () => {
    const check = await givePractice(school, classId, studentIds, {
      kind: "sequential",
      skillIds: ["ratio-language", "unit-rates"],
      items: 10,
    });
    await workOff(check, () => "right");
    const set = await givePractice(school, classId, studentIds, {
      kind: "contrast",
      skillIds: ["ratio-language", "unit-rates"],
      items: 8,
    });
    let view = await enter(set);
    while (view.finished === null) {
      const first4 = view.itemsDone < 4;
      view = { ...view, ...(await give(school, first(), view, first4 ? "right" : "wrong")).sitting };
    }
    const rowOf = async (id: string) =>
      (await workView(await school.teacher(), id)).rows.find(({ studentId }) => studentId === first());
    expect((await rowOf(check))?.parts[0]?.outcome.verdicts.map(({ verdict }) => verdict)).toEqual([
      "mastered",
      "mastered",
    ]);
    expect((await rowOf(set))?.parts[0]?.outcome.contrast).toEqual({
      alone: { right: 4, of: 4 },
      mixed: { right: 0, of: 4 },
    });
    // What was set aside waits for nobody to score it.
    const other = await givePractice(school, classId, studentIds, { kind: "sequential", items: 5 });
    const asked = await enter(other);
    await give(school, first(), asked, "right", aside);
    expect(await rowOf(other)).toMatchObject({ toScore: 0 });
    expect((await workList(await school.teacher(), [classId])).map(({ toScore }) => toScore)).toEqual([0, 0, 0]);
    expect(await skillStatesOf(school.db.read, [first()])).toHaveLength(2);
    await expect(
      givePractice(school, classId, studentIds, { kind: "contrast", skillIds: ["unit-rates"], items: 8 }),
    ).rejects.toThrow(/at least 2 skills/);
  });
});
