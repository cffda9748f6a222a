import { describe, expect, it } from "vitest";
import { MASTERY_RULE } from "@/core/mastery/masteryReached";
import { arrangeApart } from "@/core/numeric/arrangeApart";
import { type Rational, rational } from "@/core/numeric/rational";
import { endOfSkill, type SkillHistory } from "@/core/work/endOfSkill";
import { endOfWork } from "@/core/work/endOfWork";
import { projectGoal } from "@/core/work/projectGoal";
import { timeOrStruggle } from "@/core/work/timeOrStruggle";

/** + right, - wrong, h half of what was possible, t two thirds. */
const SHARES = { "+": rational(1), "-": rational(0), h: rational(1, 2), t: rational(2, 3) } as const;
const marks = (text: string): Rational[] => [...text].map((mark) => SHARES[mark as keyof typeof SHARES]);
const history = (text: string, over: Partial<SkillHistory> = {}): SkillHistory => ({
  answers: marks(text),
  mastery: 0.88,
  masteryAtStart: 0.3,
  scoredAnswers: 5,
  unaidedAnswers: 5,
  itemIds: ["a", "b"],
  ...over,
});
const there = { mastery: 0.96 };
const noBudget = { items: null, minutes: null };

describe("work on one skill ends", () => {
  it("by confidence: sure enough, and with answers given here", () => {
    expect(endOfSkill(MASTERY_RULE, history("++-++", there))).toMatchObject({
      done: true,
      reason: "confidence",
      progress: 1,
    });
    expect(endOfSkill(MASTERY_RULE, history("+", there)).done).toBe(false);
    expect(endOfSkill(MASTERY_RULE, history("++", there)).done).toBe(true);
    const near = endOfSkill(MASTERY_RULE, history("++"));
    expect(near).toMatchObject({ done: false, reason: null, progress: expect.closeTo(0.9, 12) });
    expect(endOfSkill(MASTERY_RULE, history("++", { mastery: 0.6 })).progress).toBeCloseTo(0.3 / 0.62, 12);
    expect(endOfSkill(MASTERY_RULE, history("--", { mastery: 0.1 })).progress).toBe(0);
    expect(endOfSkill(MASTERY_RULE, history("", { mastery: 0.97, masteryAtStart: 0.97 })).progress).toBe(0);
  });

  it("by a run in a row, which a miss begins anew", () => {
    const rule = { kind: "run", right: 3, of: 3 } as const;
    expect(endOfSkill(rule, history("++-+")).progress).toBeCloseTo(1 / 3, 12);
    expect(endOfSkill(rule, history("++-")).progress).toBe(0);
    expect(endOfSkill(rule, history("-+++"))).toMatchObject({ done: true, reason: "run" });
    expect(endOfSkill(rule, history("++")).progress).toBeCloseTo(2 / 3, 12);
  });

  it("by m of the last n, where a miss does not undo the rest", () => {
    const rule = { kind: "run", right: 3, of: 4 } as const;
    expect(endOfSkill(rule, history("++-+")).done).toBe(true);
    expect(endOfSkill(rule, history("++--")).progress).toBeCloseTo(2 / 3, 12);
    expect(endOfSkill(rule, history("+++----")).progress).toBe(0);
  });

  it("by amount, with the exact share right as its score", () => {
    const rule = { kind: "amount", items: 4 } as const;
    expect(endOfSkill(rule, history("+-+")).progress).toBe(0.75);
    const end = endOfSkill(rule, history("+-+-"));
    expect(end).toMatchObject({ done: true, reason: "amount" });
    expect(end.score?.toFraction()).toBe("1/2");
    expect(endOfSkill(rule, history("")).score).toBeNull();
    expect(endOfSkill(rule, history("+-+-+"))).toMatchObject({ done: true, progress: 1 });
  });

  it("counts part of what was possible with that part, but in a row only all of it", () => {
    const ofLast = { kind: "run", right: 3, of: 4 } as const;
    expect(endOfSkill(ofLast, history("+h+h")).done).toBe(true);
    expect(endOfSkill(ofLast, history("+h+-")).progress).toBeCloseTo(2.5 / 3, 12);
    expect(endOfSkill({ kind: "run", right: 2, of: 2 }, history("+h+")).progress).toBe(0.5);
    expect(endOfSkill({ kind: "amount", items: 4 }, history("+ht-")).score?.toFraction()).toBe("13/24");
    // Three times a third is one, not nearly one.
    expect(endOfSkill({ kind: "run", right: 2, of: 3 }, history("ttt")).done).toBe(true);
  });

  it.each([
    { kind: "run", right: 4, of: 3 },
    { kind: "run", right: 0, of: 3 },
    { kind: "amount", items: 0 },
    { kind: "amount", items: 1.5 },
    { kind: "confidence", chance: 1, scoredAnswers: 4, items: 2 },
    { kind: "confidence", chance: 0.9, scoredAnswers: Number.NaN, items: 2 },
  ] as const)("refuses the senseless rule %j", (rule) => {
    expect(() => endOfSkill(rule, history("+"))).toThrow(/end rule/);
  });
});

describe("work over several skills", () => {
  const mastered = { rule: MASTERY_RULE, history: history("+++++", there) };
  const open = { rule: MASTERY_RULE, history: history("+-++-") };
  const amount = (text: string, weight?: number) => ({
    rule: { kind: "amount", items: 4 } as const,
    history: history(text),
    weight,
  });

  it("ends when every skill is done, or the items or minutes are used up", () => {
    expect(endOfWork([mastered, mastered], { items: 5, minutes: 9 }, { items: 12, minutes: null })).toMatchObject({
      done: true,
      reason: "mastered",
    });
    expect(endOfWork([mastered, open], { items: 12, minutes: 9 }, { items: 12, minutes: null })).toMatchObject({
      done: true,
      reason: "budget",
    });
    expect(endOfWork([mastered, open], { items: 11, minutes: 9 }, { items: 12, minutes: null }).done).toBe(false);
    expect(endOfWork([open], { items: 3, minutes: 20 }, { items: null, minutes: 20 }).reason).toBe("budget");
    // A teacher adds to the budget: the work is open again.
    expect(endOfWork([open], { items: 12, minutes: 20 }, { items: 18, minutes: null }).done).toBe(false);
    expect(endOfWork([open], { items: 500, minutes: 900 }, noBudget).done).toBe(false);
    expect(endOfWork([amount("++++")], { items: 4, minutes: 1 }, noBudget).reason).toBe("amount");
    expect(endOfWork([], { items: 0, minutes: 0 }, noBudget).done).toBe(false);
  });

  it("moves with every item even when the chance does not", () => {
    const stuck = { rule: MASTERY_RULE, history: history("---", { mastery: 0.1 }) };
    expect(endOfWork([stuck], { items: 3, minutes: 0 }, { items: 12, minutes: null }).progress).toBeCloseTo(
      3 / 12 / 2,
      12,
    );
    expect(endOfWork([stuck], { items: 3, minutes: 8 }, { items: 12, minutes: 10 }).progress).toBeCloseTo(
      8 / 10 / 2,
      12,
    );
    expect(endOfWork([open, mastered], { items: 1, minutes: 0 }, { items: 12, minutes: null }).progress).toBeCloseTo(
      0.95,
      12,
    );
  });

  it("has one exact score, weighted as stated, once each skill has an answer", () => {
    const spent = { items: 6, minutes: 1 };
    expect(endOfWork([amount("++"), amount("+---")], spent, noBudget).score?.toFraction()).toBe("5/8");
    expect(endOfWork([amount("++", 3), amount("+---")], spent, noBudget).score?.toFraction()).toBe("13/16");
    expect(endOfWork([amount("++"), amount("")], spent, noBudget).score).toBeNull();
    expect(() => endOfWork([open], { items: -1, minutes: 0 }, noBudget)).toThrow(/0 or more/);
    expect(() => endOfWork([open], spent, { items: 0, minutes: null })).toThrow(/above 0/);
  });
});

describe("time or struggle", () => {
  const expected = { minutes: 40, pieces: 3 };
  it.each([
    [{ minutes: 10, pieces: 3 }, "on-course"],
    [{ minutes: 39, pieces: 2 }, "time"],
    [{ minutes: 40, pieces: 2 }, "struggle"],
    [{ minutes: 0, pieces: 0 }, "time"],
  ] as const)("%j is %s", (done, verdict) => {
    expect(timeOrStruggle(done, expected)).toBe(verdict);
  });
  it("refuses what cannot be", () =>
    expect(() => timeOrStruggle({ minutes: -1, pieces: 0 }, expected)).toThrow(/0 or more/));
});

describe("goals", () => {
  const goal = (daysPast: number, target = 100) => ({ unit: "minutes" as const, target, schoolDays: 10, daysPast });

  it("carry the days so far on to the deadline, with a band that is the wider the less is known", () => {
    const even = projectGoal(goal(4), [10, 10, 10, 10]);
    expect(even).toMatchObject({ reached: 40, projected: 100, low: 100, high: 100, course: "on-course" });
    // Days 5 15 5 15: s = 5.7735, t(0.9, 3) = 1.6377, six days left.
    const uneven = projectGoal(goal(4), [5, 15, 5, 15]);
    const half = 1.6377 * 5.7735 * Math.sqrt(6 + 36 / 4);
    expect(uneven.projected).toBe(100);
    expect(uneven.high).toBeCloseTo(100 + half, 1);
    expect(uneven.low).toBeCloseTo(100 - half, 1);
  });

  it("say reached, open, behind, or too early to tell", () => {
    expect(projectGoal(goal(3), [50, 30, 20]).course).toBe("reached");
    expect(projectGoal(goal(4, 110), [5, 15, 5, 15]).course).toBe("open");
    expect(projectGoal(goal(4, 400), [5, 15, 5, 15]).course).toBe("behind");
    expect(projectGoal(goal(2), [20, 20])).toMatchObject({ projected: null, course: "too-early" });
    expect(projectGoal(goal(3), [20, 20, 20]).projected).toBe(200);
    expect(projectGoal({ ...goal(2), schoolDays: 2 }, [20, 20])).toMatchObject({ projected: 40, course: "behind" });
  });

  it("never project below what is reached", () => {
    expect(projectGoal(goal(5), [0, 60, 0, 0, 0]).low).toBeGreaterThanOrEqual(60);
    expect(() => projectGoal(goal(3), [1])).toThrow(/each day past/);
    expect(() => projectGoal(goal(3, 0), [1, 1, 1])).toThrow(/above 0/);
  });
});

it("arrangeApart parts what can be parted and loses nothing", () => {
  expect(arrangeApart([..."aaabbc"], (letter) => letter).join("")).toBe("ababac");
  expect(arrangeApart([..."aaab"], (letter) => letter).join("")).toBe("abaa");
  expect(arrangeApart([], String)).toEqual([]);
});
