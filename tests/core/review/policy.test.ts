import { describe, expect, it } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { compareForecasts } from "@/core/review/compareForecasts";
import { containedSkills } from "@/core/review/containedSkills";
import { dueSkills } from "@/core/review/dueSkills";
import { forecastClass, forecastReview } from "@/core/review/forecastReview";
import { fullRound } from "@/core/review/fullRound";
import { minutesNeeded } from "@/core/review/minutesNeeded";
import { minutesOfMeeting } from "@/core/review/minutesOfMeeting";
import { ownPace } from "@/core/review/ownPace";
import { reviewMemory } from "@/core/review/reviewMemory";
import { reviewProposals } from "@/core/review/reviewProposals";
import type { ReviewSkill } from "@/core/review/reviewSkill";
import { reviewStanding } from "@/core/review/reviewStanding";
import { type MetSkill, type ReviewDecision, skillsInReview } from "@/core/review/skillsInReview";
import { skillsThatFit } from "@/core/review/skillsThatFit";
import { memoriesOfClass, studentMemory } from "@/core/review/studentMemory";

const met = (over: Partial<MetSkill> = {}): MetSkill => ({
  memory: { stabilityDays: 20, difficulty: 3 },
  lastDay: 90,
  masteredDay: 80,
  ...over,
});
const decided = (skillId: string, place: ReviewDecision["place"], day = 95): ReviewDecision => ({
  skillId,
  place,
  day,
});
const skill = (skillId: string, over: Partial<ReviewSkill> = {}): ReviewSkill => ({
  skillId,
  strandId: "s",
  memory: { stabilityDays: 20, difficulty: 3 },
  lastDay: 0,
  minutes: 2,
  ...over,
});

describe("what is in a student's review", () => {
  const known = new Map([
    ["mastered", met()],
    ["begun", met({ masteredDay: null })],
  ]);
  const places = (entering: "mastered" | "chosen", ofClass: ReviewDecision[] = [], ofStudent: ReviewDecision[] = []) =>
    skillsInReview(entering, { ofClass, ofStudent }, known).map(({ skillId, place, chosen }) => [
      skillId,
      place,
      chosen,
    ]);

  it("comes in by being mastered, or by choice alone", () => {
    expect(places("mastered")).toEqual([["mastered", "in", null]]);
    expect(places("chosen")).toEqual([]);
    expect(places("chosen", [decided("begun", "in")])).toEqual([["begun", "in", "class"]]);
  });

  it("is where it was put: for the student before the class, for the class before mastery", () => {
    expect(places("mastered", [decided("mastered", "dropped")])).toEqual([["mastered", "dropped", "class"]]);
    expect(places("mastered", [decided("mastered", "dropped")], [decided("mastered", "resting")])).toEqual([
      ["mastered", "resting", "student"],
    ]);
  });

  it("keeps its memory through resting; what was never met is barely known from the day it was chosen", () => {
    const [own, fresh] = skillsInReview(
      "mastered",
      { ofClass: [decided("mastered", "resting"), decided("new", "in", 97)], ofStudent: [] },
      known,
    );
    expect(own).toMatchObject({ lastDay: 90, memory: { stabilityDays: 20 }, enteredDay: 95, wasMastered: true });
    expect(fresh).toMatchObject({ lastDay: 97, enteredDay: 97, wasMastered: false });
    expect(fresh?.memory).toEqual(reviewMemory.first(1));
  });
});

describe("what is due", () => {
  it("is what the chance of recall says, in its order", () => {
    const random = seededRandom("due skills");
    const skills = Array.from({ length: 200 }, (_, n) =>
      skill(`k${n}`, {
        memory: { stabilityDays: 1 + 60 * random(), difficulty: 5 },
        lastDay: Math.floor(100 * random()),
      }),
    );
    for (const wanted of [0.8, 0.9, 0.95]) {
      const byRecall = reviewStanding(skills, 110, wanted).filter(({ due }) => due);
      expect(byRecall.length).toBeGreaterThan(20);
      expect(dueSkills(skills, 110, wanted).map(({ skillId }) => skillId)).toEqual(
        byRecall.map(({ skillId }) => skillId),
      );
    }
  });
});

describe("a student's own pace", () => {
  const review = (elapsedDays: number, right: boolean, n = 0) => ({
    skillId: `k${n}`,
    stabilityDays: 20,
    elapsedDays,
    right,
  });

  it("is found from reviews that follow the model at another pace", () => {
    for (const truly of [0.4, 1, 1.8]) {
      const random = seededRandom(`pace ${truly}`);
      const reviews = Array.from({ length: 5000 }, (_, n) => {
        const elapsed = 5 + Math.floor(60 * random());
        return review(elapsed, random() < reviewMemory.recall(20 * truly, elapsed), n);
      });
      expect(Math.abs(Math.log(ownPace(reviews) / truly))).toBeLessThan(0.3);
    }
  });

  it("hardly moves by a few answers, and stays within bounds whatever was answered", () => {
    expect(ownPace([review(20, false)])).toBeGreaterThan(0.7);
    expect(ownPace([review(20, true)])).toBeLessThan(1.1);
    const never = Array.from({ length: 400 }, (_, n) => review(10, false, n));
    expect(ownPace(never)).toBeGreaterThanOrEqual(Math.exp(-1.5));
    expect(ownPace(never)).toBeLessThan(0.3);
  });

  it("of a class is found first, so that each student's forecast lies around it", () => {
    const forgetful = Array.from({ length: 12 }, (_, n) =>
      Array.from({ length: 20 }, (__, k) => review(20, (k + n) % 3 > 0, k)),
    );
    const [own] = memoriesOfClass(forgetful);
    // Two of three right where nine of ten are expected: alone it is taken half for chance, in such a class not.
    expect(own?.mean).toBeLessThan(studentMemory(forgetful[0] ?? []).mean - 0.1);
    expect(memoriesOfClass([[], []]).map(({ mean }) => mean)).toEqual([expect.closeTo(0, 6), expect.closeTo(0, 6)]);
  });
});

describe("minutes, rounds and what fits", () => {
  it("reckons a meeting by the student's own time, within bounds", () => {
    expect(minutesOfMeeting({ answered: 0, milliseconds: 0 })).toBe(1);
    expect(minutesOfMeeting({ answered: 7, milliseconds: 7 * 30_000 })).toBeCloseTo(0.65, 9);
    expect(minutesOfMeeting({ answered: 200, milliseconds: 200 * 1000 })).toBe(0.25);
    expect(minutesOfMeeting({ answered: 50, milliseconds: 50 * 3_600_000 })).toBe(5);
  });

  it("a full round is the longest that any skill has waited, and good is the longest that any may wait", () => {
    const round = fullRound(
      [
        { stabilityDays: 10, enteredDay: 50, lastRightDay: 95 },
        { stabilityDays: 40, enteredDay: 50, lastRightDay: 80 },
        { stabilityDays: 5, enteredDay: 92, lastRightDay: null },
      ],
      100,
      0.9,
    );
    // 5, 20 and 8 days waited; 10, 40 and 5 days allowed at 0.9, which is one stability.
    expect(round).toEqual({ days: 20, good: 40, overdue: 1 });
    expect(fullRound([], 100, 0.9)).toBeNull();
  });

  it("says how many like these the minutes keep", () => {
    // Ten skills of 2 minutes every 20 days: 7 minutes a week.
    const skills = Array.from({ length: 10 }, (_, n) => skill(`k${n}`));
    const minutes = minutesNeeded(skills, 3.6);
    expect(minutes.needed).toBeCloseTo(7, 3);
    expect(skillsThatFit(10, minutes)).toBe(5);
    expect(skillsThatFit(0, minutesNeeded([], 10))).toBeNull();
    // 300 skills with 10 minutes a week: what cannot be kept is said.
    const many = Array.from({ length: 300 }, (_, n) => skill(`k${n}`));
    expect(skillsThatFit(300, minutesNeeded(many, 10))).toBe(14);
  });
});

describe("proposals", () => {
  const students = new Set(["ada", "bo"]);
  const one = (skillId: string, over: Partial<Parameters<typeof reviewProposals>[0][number]> = {}) => ({
    skillId,
    enrolled: 2,
    secure: 1,
    askedOf: students,
    mastered: 2,
    answers: 0,
    right: 0,
    ...over,
  });
  /** Each builds on the one before. */
  const chain = ["a", "b", "c", "d"].map((id, place, all) => ({
    id,
    prerequisites: place > 0 ? [all[place - 1] as string] : [],
    standards: [],
    difficulty: place,
  }));

  it("says why: taught again, everybody has it, exercised anyway", () => {
    expect(
      reviewProposals(
        [one("a", { answers: 10, right: 1 }), one("b", { secure: 2 }), one("c"), one("d"), one("x")],
        [...chain, { id: "x", prerequisites: [], standards: [], difficulty: 9 }],
      ),
    ).toEqual([
      { skillId: "a", what: "reteach", reason: { by: "too-hard", accuracy: 0.1, answers: 10 } },
      { skillId: "b", what: "rest", reason: { by: "everybody-secure", students: 2 } },
      { skillId: "c", what: "rest", reason: { by: "contained", within: "d", because: "prerequisite" } },
    ]);
    // A few wrong answers are no reason yet, and 20 % is not under 20 %.
    expect(reviewProposals([one("a", { answers: 4, right: 0 }), one("x", { answers: 10, right: 2 })], [])).toEqual([]);
  });

  it("done all at once, something that stays still exercises each", () => {
    // d stays; c and b lie one and two steps under it; a has nothing left above it that stays.
    expect(
      reviewProposals(
        ["a", "b", "c", "d"].map((id) => one(id)),
        chain,
      ).map(({ skillId }) => skillId),
    ).toEqual(["b", "c"]);
    // Without that rule b would have carried a.
    expect(containedSkills(chain, new Set(["a", "b", "c", "d"])).map(({ skillId }) => skillId)).toEqual([
      "a",
      "b",
      "c",
    ]);
  });

  it("what most have still to learn is not for resting", () => {
    expect(reviewProposals([one("a", { mastered: 0 }), one("b")], chain)).toEqual([]);
    expect(reviewProposals([one("a", { mastered: 1 }), one("b")], chain)).toHaveLength(1);
  });

  it("what only some are asked carries nothing for the others", () => {
    expect(reviewProposals([one("a"), one("b", { askedOf: new Set(["ada"]) })], chain)).toEqual([]);
  });
});

describe("a class's forecast", () => {
  const taught = Array.from({ length: 28 }, (_, day) => day % 7 < 5);
  const outlook = { fromDay: 1, taught, minutesPerDay: 6 };
  const students = ["p", "q", "r"].map((own) => ({
    skills: Array.from({ length: 12 }, (_, n) => skill(`${own}${n}`, { lastDay: -n })),
    reviews: [],
    outlook,
  }));

  it("of one student is the student's own", () => {
    const [own] = students;
    if (!own) throw new Error("There is no student.");
    const random = () => seededRandom("one");
    expect(forecastClass([own], random, 3)).toEqual(forecastClass([own, { skills: [], outlook }], random, 3));
    expect(forecastReview(own.skills, outlook, seededRandom("x"), 1)).toEqual(
      forecastClass([own], () => seededRandom("x"), 1),
    );
    expect(forecastClass([{ skills: [], outlook }], random, 3)).toBeNull();
  });

  it("is steadier than each student's, as the mean of several", () => {
    const width = (n: number) => {
      const end = compareForecasts({ students: students.slice(0, n), rest: [], drop: [], runs: 60 }).before?.at(-1);
      return (end?.remembered.high ?? 0) - (end?.remembered.low ?? 0);
    };
    expect(width(3)).toBeLessThan(width(1));
  });

  it("differs by what is changed alone, and by nothing where nothing is", () => {
    const nobodys = compareForecasts({ students, rest: ["other"], drop: [], runs: 10 });
    expect(nobodys.after).toEqual(nobodys.before);
    const rested = compareForecasts({ students, rest: ["p0", "q0", "r0", "p1", "q1", "r1"], drop: [], runs: 40 });
    const [before, after] = [rested.before?.at(-1), rested.after?.at(-1)];
    expect(after?.minutesNeeded.expected).toBeLessThan(before?.minutesNeeded.expected ?? 0);
    expect(compareForecasts({ students, rest: [], drop: [], runs: 2 }).after).toBeNull();
    const all = students.flatMap(({ skills }) => skills.map(({ skillId }) => skillId));
    expect(compareForecasts({ students, rest: [], drop: all, runs: 2 }).after).toBeNull();
  });

  it("counts what was never mastered among nothing that is remembered, though it is asked", () => {
    const mixed = [skill("old", { lastDay: 0 }), skill("new", { lastDay: -400, wasMastered: false })];
    const still = { fromDay: 1, taught: [false], minutesPerDay: 6 };
    const remembered = (skills: ReviewSkill[]) =>
      forecastReview(skills, still, seededRandom("mixed"), 1)?.[0]?.remembered.expected ?? 0;
    expect(remembered(mixed)).toBeGreaterThan(0.95);
    expect(remembered(mixed.slice(1))).toBeLessThan(0.8);
  });
});
