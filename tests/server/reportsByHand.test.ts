import { and, eq } from "drizzle-orm";
import { afterEach, expect, it } from "vitest";
import { dayNumber } from "@/core/calendar/dayNumber";
import { skillStatesOf } from "@/db/queries/summaries";
import { skillStates } from "@/db/schema/summaries";
import { acrossClasses } from "@/features/evidence/reads/across/acrossClasses";
import { acrossReport } from "@/features/evidence/reads/across/acrossReport";
import { readFrame } from "@/features/evidence/reads/frame";
import { studentReport } from "@/features/evidence/reads/student/studentReport";
import { weekReport } from "@/features/evidence/reads/week/weekReport";
import { noteTalk } from "@/features/evidence/writes/noteTalk";
import { libraryOf } from "@/server/library/library";
import { type ReportClass, reportClass } from "../support/reportClass";
import { makeClass } from "../support/school";

let own: ReportClass;
afterEach(() => own.school.close());
const teacher = () => own.school.teacher();
const MONDAY = dayNumber("2026-11-23");

it("across classes: means with Student's interval, items with Wilson's, and only what luck seldom makes is told apart", async () => {
  own = await reportClass(6);
  const other = await makeClass(own.school, 6, "6 Other");
  const to = [
    { assignmentId: own.school.runtime.newId(), classId: own.classId, studentIds: own.students },
    { assignmentId: own.school.runtime.newId(), classId: other.classId, studentIds: other.studentIds },
  ];
  await own.test({ to });
  const [mine = "", theirs = ""] = to.map(({ assignmentId }) => assignmentId);
  // The first item: all six here, nobody there. The second: three of six in both.
  for (const [who, answers] of ["rrrr", "rrrr", "rrrx", "rxrx", "rxrr", "rxxx"].entries())
    await own.sit(mine, who, answers);
  for (const [who, answers] of ["xrxx", "xrrx", "xrrr", "xxrx", "xxxx", "xxrx"].entries())
    await own.sit(theirs, other.studentIds[who] ?? "", answers);
  const across = await acrossClasses(await teacher(), [own.classId], {});
  const frame = await readFrame(await teacher(), across.classIds, {}, "term");
  const { test, use, skills } = await acrossReport(await teacher(), across, frame, { depth: "skills" });
  const of = <T extends { readonly classId: string }>(some: readonly T[] | undefined, id: string) =>
    some?.find(({ classId }) => classId === id);
  // Marks 1, 1, 0.75, 0.5, 0.75, 0.25: mean 0.7083, deviation 0.2923 (n − 1); t(5) = 2.5706 times 0.2923 / √6.
  const here = of(test?.means, own.classId);
  expect(here?.mean).toBeCloseTo(4.25 / 6, 9);
  expect(here?.low).toBeCloseTo(0.7083 - 0.3068, 3);
  expect(here?.high).toBe(1);
  // Marks 0.25, 0.5, 0.75, 0.25, 0, 0.25: mean a third, deviation 0.2582.
  const there = of(test?.means, other.classId);
  expect(there?.mean).toBeCloseTo(1 / 3, 9);
  expect(there?.high).toBeCloseTo(0.3333 + 2.5706 * (0.2582 / Math.sqrt(6)), 3);
  const [first, second] = test?.items ?? [];
  // Six of six: Wilson's lower end is n / (n + z²), z = 1.96.
  expect(of(first?.classes, own.classId)?.share).toMatchObject({ share: 1, n: 6 });
  expect(of(first?.classes, own.classId)?.share.low).toBeCloseTo(6 / (6 + 1.959964 ** 2), 4);
  expect(of(first?.classes, own.classId)?.apart).toBe("above");
  expect(of(first?.classes, other.classId)).toMatchObject({ apart: "below", share: { share: 0, n: 6 } });
  expect(of(first?.classes, other.classId)?.without).toHaveLength(6);
  expect(second?.classes.map(({ share, apart }) => [share.share, share.n, apart])).toEqual([
    [0.5, 6, "within-luck"],
    [0.5, 6, "within-luck"],
  ]);
  // Of those with three answers or more nobody has any skill at Secure by two items; of fewer nothing is said.
  expect(skills).toEqual([]);
  // A second test of the same items: four answers a skill. Secure is who the states say is, counted by hand here.
  own.at(1);
  const more = to.map((one) => ({ ...one, assignmentId: own.school.runtime.newId() }));
  await own.test({ title: "Again", to: more });
  for (const student of own.students) await own.sit(more[0]?.assignmentId ?? "", student, "rrxx");
  const later = await acrossReport(
    await teacher(),
    across,
    await readFrame(await teacher(), across.classIds, {}, "term"),
    { depth: "skills" },
  );
  const states = await skillStatesOf(own.school.db.read, own.students);
  for (const id of ["ratio-language", "unit-rates"]) {
    const known = states.filter(({ skillId, scoredAnswers }) => skillId === id && scoredAnswers >= 3);
    const secure = known.filter(({ mastery }) => mastery >= 0.8);
    const shown = of(later.skills.find((skill) => skill.id === id)?.classes, own.classId);
    expect(shown?.share).toMatchObject({ n: known.length, share: secure.length / known.length });
    expect(shown?.without).toHaveLength(known.length - secure.length);
  }
  // Six students, four answers of 20 s each.
  expect(of(use, own.classId)).toMatchObject({ students: 6, answers: 24, minutes: 1, quiet: [], never: [] });
});

it("the week's snags: open, cleared alone and with whose help, how often, gone on with or left", async () => {
  own = await reportClass(4);
  const work = await own.test();
  for (const who of [0, 1, 2]) await own.sit(work, who, "xxxx");
  const snag = (who: number, values: object) =>
    own.school.db.write((tx) =>
      tx
        .update(skillStates)
        .set(values)
        .where(and(eq(skillStates.personId, own.students[who] ?? ""), eq(skillStates.skillId, "ratio-language"))),
    );
  own.at(1);
  await noteTalk(await teacher(), {
    notes: [0, 1].map((who) => ({ id: own.school.runtime.newId(), studentId: own.students[who] })),
    reason: "skill",
    skillId: "ratio-language",
    versionId: null,
    assignmentId: null,
    misconceptionId: null,
  });
  await snag(0, { snagDay: MONDAY, snagClearedDay: MONDAY + 2, snagTimes: 2, lastDay: MONDAY + 2 });
  // The talk was before this one opened.
  await snag(1, { snagDay: MONDAY + 2, snagClearedDay: MONDAY + 3, snagTimes: 1, lastDay: MONDAY + 3 });
  await snag(2, { snagDay: MONDAY, snagClearedDay: null, snagTimes: 1, lastDay: MONDAY });
  own.at(4);
  const view = await weekReport(await teacher(), await own.frame(), { week: "2026-11-23" });
  const shown = view.snags.map(({ studentId, state, helpers, times, goesOn, since }) => ({
    who: own.students.indexOf(studentId),
    ...{ state, helpers, times, goesOn, since },
  }));
  expect(shown.sort((x, y) => x.who - y.who)).toEqual([
    { who: 0, state: "cleared", helpers: ["Ana Tester"], times: 2, goesOn: true, since: "23 Nov" },
    { who: 1, state: "cleared", helpers: [], times: 1, goesOn: true, since: "25 Nov" },
    { who: 2, state: "open", helpers: [], times: 1, goesOn: false, since: "23 Nov" },
  ]);
  // Through alone is worth a word; with help it is not said to be alone.
  expect(view.praise.map(({ id, because }) => [own.students.indexOf(id), because.map(({ code }) => code)])).toEqual([
    [1, ["cleared-alone"]],
  ]);
});

it("one student's levels: the strand by precision from its skills, by a second way", async () => {
  own = await reportClass(2);
  const [student = ""] = own.students;
  for (const day of [0, 1]) {
    own.at(day);
    await own.sit(await own.test({ title: `Day ${day}` }), 0, "rrxr");
  }
  const view = await studentReport(await teacher(), student, await own.frame({ range: "term" }), {});
  const library = await libraryOf(own.school.runtime);
  const states = await skillStatesOf(own.school.db.read, [student]);
  expect(states.map(({ skillId }) => skillId).sort()).toEqual(["ratio-language", "unit-rates"]);
  // Each skill lies 0.65 around its strand and 0.75 under its own boundary: θ = difficulty + 0.75 + mean, variance spread² + 0.65².
  let [weights, sum] = [0, 0];
  for (const { skillId, mean, spread } of states) {
    const weight = 1 / (spread * spread + 0.4225);
    weights += weight;
    sum += weight * (library.skill(skillId).difficulty + 0.75 + mean);
  }
  const [strand] = view.strands;
  expect(view.strands).toHaveLength(1);
  expect(strand?.level).toEqual({
    score: Math.round(500 + 50 * (sum / weights)),
    se: Math.round(50 * Math.sqrt(1 / weights)),
  });
  // Shown is what is Secure with enough answers; a skill is ready whose own prerequisites are all likely there.
  const today = dayNumber("2026-11-24");
  const chances = new Map(
    states.map((state) => [
      state.skillId,
      // What was answered today has not faded.
      state.lastDay === today ? state.mastery : Number.NaN,
    ]),
  );
  expect([...chances.values()].every(Number.isFinite)).toBe(true);
  const secure = [...chances].filter(([, chance]) => chance >= 0.8).map(([id]) => id);
  expect(view.shown.map(({ id }) => id).sort()).toEqual(secure.sort());
  expect(view.range).toMatchObject({ answered: 8, right: 6 });
  // One strand alone is the whole, and nothing holds it down.
  expect(view.wholes[0]?.level).toEqual(strand?.level);
  expect(strand?.holdsDown).toBe(false);
});
