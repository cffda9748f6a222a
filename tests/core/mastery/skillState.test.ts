import { describe, expect, it } from "vitest";
import { endOfPractice } from "@/core/mastery/endOfPractice";
import { gaugeOf } from "@/core/mastery/gaugeOf";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { isStuck } from "@/core/mastery/isStuck";
import { masteryReached } from "@/core/mastery/masteryReached";
import { masteryToday } from "@/core/mastery/masteryToday";
import type { AnswerEvidence, SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";

const item = { a: 1.4, b: 0, c: 0 };
const answer = (over: Partial<AnswerEvidence> = {}): AnswerEvidence => ({
  right: true,
  tryNumber: 1,
  hintsUsed: 0,
  modelId: "m/1",
  item,
  day: 100,
  ...over,
});
const after = (answers: readonly AnswerEvidence[], prior = 0.3) =>
  answers.reduce<SkillState | null>((state, next) => updateSkillState(state, prior, next, 0), null) as SkillState;

describe("updateSkillState", () => {
  it("rises with right and falls with wrong first tries", () => {
    const start = after([answer()]);
    expect(start.mastery).toBeGreaterThan(0.3);
    expect(updateSkillState(start, 0.3, answer({ right: false }), 0).mastery).toBeLessThan(start.mastery);
  });

  it("counts a hinted right answer for less, and a second try for less again", () => {
    const whole = after([answer()]).mastery;
    const hinted = after([answer({ hintsUsed: 1 })]).mastery;
    const missed = after([answer({ right: false })]);
    const second = updateSkillState(missed, 0.3, answer({ tryNumber: 2 }), 0);
    expect(hinted).toBeLessThan(whole);
    expect(hinted).toBeGreaterThan(0.3);
    expect(second.mastery).toBeGreaterThan(missed.mastery);
    expect(second.mastery - missed.mastery).toBeLessThan(whole - 0.3);
  });

  it("counts only first tries as scored answers", () => {
    const state = after([answer({ right: false }), answer({ tryNumber: 2 }), answer({ modelId: "m/0" })]);
    expect(state).toMatchObject({ scoredAnswers: 2, rightFirstTries: 1, modelIds: ["m/0", "m/1"], missesInRow: 0 });
  });

  it("keeps the first day of mastery and never takes it back", () => {
    const row = [1, 2, 1, 2, 1, 2].map((n) => answer({ modelId: `m/${n}` }));
    const mastered = after(row);
    expect(mastered.masteredDay).toBe(100);
    expect(updateSkillState(mastered, 0.3, answer({ right: false, day: 120 }), 0).masteredDay).toBe(100);
  });

  it("lets memory last longer after a right answer on a new day only", () => {
    const start = after([answer()]);
    expect(updateSkillState(start, 0.3, answer(), 0).stabilityDays).toBe(start.stabilityDays);
    expect(updateSkillState(start, 0.3, answer({ day: 103 }), 0).stabilityDays).toBe(start.stabilityDays * 1.5);
    expect(updateSkillState(start, 0.3, answer({ day: 103, right: false }), 0).stabilityDays).toBe(start.stabilityDays);
  });
});

describe("mastery rule", () => {
  it.each([
    [{ mastery: 0.95, scoredAnswers: 4, modelIds: ["a", "b"] }, true],
    [{ mastery: 0.949, scoredAnswers: 4, modelIds: ["a", "b"] }, false],
    [{ mastery: 0.99, scoredAnswers: 3, modelIds: ["a", "b"] }, false],
    [{ mastery: 0.99, scoredAnswers: 9, modelIds: ["a"] }, false],
  ])("%o is mastered: %s", (evidence, expected) => {
    expect(masteryReached(evidence)).toBe(expected);
  });
});

describe("masteryToday", () => {
  it("drifts back to the prior, never below it, and leaves low chances alone", () => {
    const state = { ...after([answer()]), mastery: 0.9, prior: 0.3, lastDay: 0, stabilityDays: 20 };
    expect(masteryToday(state, 0)).toBeCloseTo(0.9, 12);
    expect(masteryToday(state, 20)).toBeCloseTo(0.3 + 0.6 * 0.9, 12);
    expect(masteryToday(state, 1e6)).toBeGreaterThan(0.3);
    expect(masteryToday({ ...state, mastery: 0.1 }, 500)).toBe(0.1);
  });
});

describe("gauges", () => {
  const state = { ...after([answer()]), scoredAnswers: 3, mastery: 0.8, prior: 0.1, lastDay: 100, masteredDay: null };

  it.each([
    [0.39, "beginning"],
    [0.4, "developing"],
    [0.79, "developing"],
    [0.8, "secure"],
  ] as const)("puts a chance of %d at %s", (mastery, level) => {
    expect(gaugeOf({ ...state, mastery }, 0.1, 100, false).level).toBe(level);
  });

  it("says too little under 3 answers and old after 60 days", () => {
    expect(gaugeOf({ ...state, scoredAnswers: 2 }, 0.1, 100, false).tooLittle).toBe(true);
    expect(gaugeOf(state, 0.1, 160, false).old).toBe(false);
    expect(gaugeOf(state, 0.1, 161, false).old).toBe(true);
    expect(gaugeOf(null, 0.1, 100, false)).toMatchObject({ tooLittle: true, old: false, chance: 0.1, lastDay: null });
  });

  it("is Extending when mastered and Secure in a skill beyond the grade that builds on it", () => {
    const skills = [
      { id: "under", grade: 6, difficulty: 0, prerequisites: [] },
      { id: "over", grade: 7, difficulty: 0.5, prerequisites: ["under"] },
    ];
    const strong = { ...state, mastery: 0.99, masteredDay: 90 };
    const states = new Map<string, SkillState>([
      ["under", strong],
      ["over", { ...strong, masteredDay: null }],
    ]);
    expect(gaugesOfStudent({ grade: 6, states }, skills, 100).get("under")?.level).toBe("extending");
    expect(gaugesOfStudent({ grade: 7, states }, skills, 100).get("under")?.level).toBe("secure");
    expect(gaugesOfStudent({ grade: 6, states: new Map([["under", strong]]) }, skills, 100).get("under")?.level).toBe(
      "secure",
    );
  });
});

describe("endOfPractice", () => {
  const near = { mastery: 0.9, masteryAtStart: 0.3, scoredAnswers: 5, modelIds: ["a", "b"], answersHere: 5 };
  const there = { ...near, mastery: 0.96 };

  it("ends when every skill is mastered, or when the budget is used", () => {
    expect(endOfPractice([there, there], 5, 12)).toEqual({ progress: 1, done: true, reason: "mastered" });
    expect(endOfPractice([there, near], 12, 12)).toEqual({ progress: 1, done: true, reason: "budget" });
    expect(endOfPractice([there, near], 11, 12).done).toBe(false);
  });

  it("does not end on old evidence alone", () => {
    expect(endOfPractice([{ ...there, answersHere: 1 }], 1, 12).done).toBe(false);
    expect(endOfPractice([{ ...there, answersHere: 2 }], 2, 12).reason).toBe("mastered");
  });

  it("moves with every item even when the chance does not", () => {
    const stuck = { ...near, mastery: 0.1 };
    expect(endOfPractice([stuck], 3, 12).progress).toBeCloseTo(3 / 12 / 2, 12);
    expect(endOfPractice([near], 1, 12).progress).toBeGreaterThan(0.8);
  });
});

it("calls someone stuck after 5 items with under 40 % right", () => {
  expect(isStuck(4, 0)).toBe(false);
  expect(isStuck(5, 2)).toBe(false);
  expect(isStuck(5, 1)).toBe(true);
});
