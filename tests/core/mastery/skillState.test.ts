import { describe, expect, it } from "vitest";
import { gaugeOf } from "@/core/mastery/gaugeOf";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { levelOf } from "@/core/mastery/levelOf";
import { masteryReached } from "@/core/mastery/masteryReached";
import { masteryToday } from "@/core/mastery/masteryToday";
import type { SkillBelief } from "@/core/mastery/skillBelief";
import type { AnswerEvidence, SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";

const item = { a: 1.4, b: 0, c: 0 };
const answer = (over: Partial<AnswerEvidence> = {}): AnswerEvidence => ({
  share: 1,
  tryNumber: 1,
  hintsUsed: 0,
  itemId: "m/1",
  item,
  day: 100,
  ...over,
});
/** A belief whose chance of mastery is 0.3. */
const PRIOR: SkillBelief = { mean: -0.6293, spread: 1.2 };
const after = (answers: readonly AnswerEvidence[], prior = PRIOR) =>
  answers.reduce<SkillState | null>((state, next) => updateSkillState(state, prior, next, 0), null) as SkillState;
const inModels = (rights: string): AnswerEvidence[] =>
  [...rights].map((mark, n) => answer({ share: mark === "+" ? 1 : 0, itemId: `m/${n % 2}` }));

describe("updateSkillState", () => {
  it("rises with right and falls with wrong first tries", () => {
    const start = after([answer()]);
    expect(start.mastery).toBeGreaterThan(0.3);
    expect(updateSkillState(start, PRIOR, answer({ share: 0 }), 0).mastery).toBeLessThan(start.mastery);
  });

  it("counts a hinted right answer for less, a hinted wrong one for no less, and a second try for less again", () => {
    const whole = after([answer()]).mastery;
    const hinted = after([answer({ hintsUsed: 1 })]).mastery;
    const missed = after([answer({ share: 0 })]);
    const second = updateSkillState(missed, PRIOR, answer({ tryNumber: 2 }), 0);
    expect(hinted).toBeLessThan(whole);
    expect(hinted).toBeGreaterThan(0.3);
    expect(after([answer({ share: 0, hintsUsed: 2 })]).mastery).toBeLessThanOrEqual(missed.mastery);
    expect(second.mastery).toBeGreaterThan(missed.mastery);
    expect(second.mastery - missed.mastery).toBeLessThan(whole - 0.3);
  });

  it("never says mastered of hinted answers alone, however many are right", () => {
    const hinted = Array.from({ length: 20 }, (_, n) => answer({ hintsUsed: 1, itemId: `m/${n % 2}` }));
    expect(after(hinted).masteredDay).toBeNull();
    expect(after([...hinted, ...inModels("+++")]).masteredDay).toBeNull();
    expect(after([...hinted, ...inModels("+".repeat(14))]).masteredDay).toBe(100);
  });

  it("keeps some doubt, so that right answers make up for a row of wrong ones", () => {
    const wrong = after(Array.from({ length: 20 }, () => answer({ share: 0 })));
    expect(wrong.mastery).toBe(0.005);
    const row = inModels("+".repeat(16));
    expect(row.reduce((state, next) => updateSkillState(state, PRIOR, next, 0), wrong).mastery).toBeGreaterThan(0.8);
    expect(after(Array.from({ length: 30 }, () => answer())).mastery).toBeGreaterThan(0.98);
  });

  it("takes mastery back when answers speak against it, and gives it again", () => {
    const mastered = after(inModels("++++++++++"));
    expect(mastered).toMatchObject({ masteredDay: 100, lostDay: null });
    const lost = inModels("----------").reduce(
      (state, next) => updateSkillState(state, PRIOR, { ...next, day: 104 }, 0),
      mastered,
    );
    expect(lost).toMatchObject({ masteredDay: 100, lostDay: 104 });
    expect(gaugeOf(lost, 0.3, 104, false).mark).toBe("lost");
    const again = inModels("+".repeat(40)).reduce(
      (state, next) => updateSkillState(state, PRIOR, { ...next, day: 110 }, 0),
      lost,
    );
    expect(again).toMatchObject({ masteredDay: 100, lostDay: null });
  });

  it("counts only first tries as scored answers", () => {
    const state = after([answer({ share: 0 }), answer({ tryNumber: 2 }), answer({ itemId: "m/0" })]);
    expect(state).toMatchObject({ scoredAnswers: 2, rightFirstTries: 1, itemIds: ["m/0", "m/1"], missesInRow: 0 });
  });

  it("keeps the first day of mastery", () => {
    const row = [1, 2, 1, 2, 1, 2, 1, 2].map((n) => answer({ itemId: `m/${n}` }));
    const mastered = after(row);
    expect(mastered.masteredDay).toBe(100);
    expect(updateSkillState(mastered, PRIOR, answer({ share: 0, day: 120 }), 0).masteredDay).toBe(100);
  });

  it("takes the first day's memory from how that day ended, and a later day's from its first answer", () => {
    const start = after([answer({ share: 0 }), answer({ hintsUsed: 1 }), answer()]);
    expect(start).toMatchObject({ stabilityDays: 20, firstDay: 100 });
    expect(after([answer(), answer({ hintsUsed: 1 })]).stabilityDays).toBe(10);
    expect(after([answer(), answer({ share: 0 })]).stabilityDays).toBe(3);
    const recalled = updateSkillState(start, PRIOR, answer({ day: 110 }), 0);
    expect(recalled.stabilityDays).toBeGreaterThan(20);
    expect(updateSkillState(recalled, PRIOR, answer({ day: 110, share: 0 }), 0).stabilityDays).toBe(
      recalled.stabilityDays,
    );
    expect(updateSkillState(start, PRIOR, answer({ day: 110, share: 0 }), 0).stabilityDays).toBeLessThan(20);
    expect(updateSkillState(start, PRIOR, answer({ day: 110, tryNumber: 2 }), 0).stabilityDays).toBe(20);
  });

  it("opens a snag after at least five answers that more of the same would not mend, and clears it at Secure", () => {
    const wrong = (n: number) =>
      after(
        Array.from({ length: n }, () => answer({ share: 0 })),
        { mean: -1.5, spread: 1.2 },
      );
    expect(wrong(4).snagDay).toBeNull();
    expect(wrong(5).snagDay).toBe(100);
    let state = wrong(6);
    for (let n = 0; n < 16; n++) state = updateSkillState(state, PRIOR, answer({ day: 103, itemId: `m/${n % 2}` }), 0);
    expect(state.mastery).toBeGreaterThan(0.8);
    expect(state).toMatchObject({ snagDay: 100, snagClearedDay: 103 });
  });
});

describe("mastery rule", () => {
  it.each([
    [{ mastery: 0.92, scoredAnswers: 4, unaidedAnswers: 4, itemIds: ["a", "b"] }, true],
    [{ mastery: 0.919, scoredAnswers: 4, unaidedAnswers: 4, itemIds: ["a", "b"] }, false],
    [{ mastery: 0.99, scoredAnswers: 3, unaidedAnswers: 3, itemIds: ["a", "b"] }, false],
    [{ mastery: 0.99, scoredAnswers: 20, unaidedAnswers: 3, itemIds: ["a", "b"] }, false],
    [{ mastery: 0.99, scoredAnswers: 9, unaidedAnswers: 9, itemIds: ["a"] }, false],
    [{ mastery: 0.97, scoredAnswers: 35, unaidedAnswers: 30, itemIds: ["a", "b"] }, false],
    [{ mastery: 0.985, scoredAnswers: 35, unaidedAnswers: 30, itemIds: ["a", "b"] }, true],
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

it("a school may set its own cuts, which must rise", () => {
  expect(levelOf(0.5, false, { developing: 0.5, secure: 0.9 })).toBe("developing");
  expect(levelOf(0.89, true, { developing: 0.5, secure: 0.9 })).toBe("developing");
  expect(() => levelOf(0.5, false, { developing: 0.9, secure: 0.5 })).toThrow(/rise/);
});

describe("gauges", () => {
  const state = {
    ...after([answer()]),
    scoredAnswers: 3,
    mastery: 0.8,
    prior: 0.1,
    lastDay: 100,
    masteredDay: null,
    lostDay: null,
  };

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
      { id: "under", strandId: "s", grade: 6, difficulty: 0, prerequisites: [] },
      { id: "over", strandId: "s", grade: 7, difficulty: 0.5, prerequisites: ["under"] },
    ];
    const placements = new Map();
    const strong = { ...state, mastery: 0.99, masteredDay: 90 };
    const states = new Map<string, SkillState>([
      ["under", strong],
      ["over", { ...strong, masteredDay: null }],
    ]);
    expect(gaugesOfStudent({ grade: 6, states, placements }, skills, 100).get("under")?.level).toBe("extending");
    expect(gaugesOfStudent({ grade: 7, states, placements }, skills, 100).get("under")?.level).toBe("secure");
    expect(
      gaugesOfStudent({ grade: 6, states: new Map([["under", strong]]), placements }, skills, 100).get("under")?.level,
    ).toBe("secure");
  });
});
