import { describe, expect, it } from "vitest";
import { type Rating, type RubricRules, rubricScore } from "@/core/measurement/rubricScore";

const TWO: RubricRules = { raters: 2, tolerance: 1, third: "stands" };
const rubric = [{ highest: 4, weight: 2 }, { highest: 3 }];
const by = (...points: (readonly number[])[]): Rating[] =>
  points.map((given, n) => ({ raterId: `rater ${n}`, points: given }));

describe("the score of a written work", () => {
  it("is one person's where one is asked, weighted and exact", () => {
    // (2 · 3/4 + 1 · 1/3) / 3
    const found = rubricScore(rubric, by([3, 1]), { ...TWO, raters: 1 });
    expect(found.standing).toBe("agreed");
    expect(found.score?.toFraction()).toBe("11/18");
  });

  it("waits for the second person, and is the mean of two who agree within the tolerance", () => {
    expect(rubricScore(rubric, [], TWO)).toMatchObject({ standing: "waiting", score: null });
    expect(rubricScore(rubric, by([3, 1]), TWO)).toMatchObject({ standing: "waiting", score: null });
    const agreed = rubricScore(rubric, by([3, 1], [4, 1]), TWO);
    expect(agreed.standing).toBe("agreed");
    // (2 · 3.5/4 + 1/3) / 3
    expect(agreed.score?.toFraction()).toBe("25/36");
    expect(rubricScore(rubric, by([3, 1], [4, 1]), { ...TWO, tolerance: 0 }).standing).toBe("apart");
  });

  it("asks a third person where two lie apart in one criterion, and only there takes that one's points", () => {
    const apart = rubricScore(rubric, by([0, 1], [4, 2]), TWO);
    expect(apart).toMatchObject({ standing: "apart", score: null });
    expect(apart.criteria.map(({ standing }) => standing)).toEqual(["apart", "agreed"]);
    const settled = rubricScore(rubric, by([0, 1], [4, 2], [3, 3]), TWO);
    expect(settled.standing).toBe("settled");
    expect(settled.criteria.map(({ points }) => points?.toFraction())).toEqual(["3", "3/2"]);
  });

  it("can average the third with the nearer of the two; in the very middle nobody is nearer", () => {
    const rules: RubricRules = { ...TWO, third: "with-nearer" };
    const first = (...points: (readonly number[])[]) =>
      rubricScore(rubric, by(...points), rules).criteria[0]?.points?.toFraction();
    expect(first([0, 1], [4, 1], [3, 1])).toBe("7/2");
    expect(first([0, 1], [4, 1], [1, 1])).toBe("1/2");
    expect(first([0, 1], [4, 1], [2, 1])).toBe("2");
  });

  it("takes no points beyond a criterion, half ones, one person twice, or a rubric without lines", () => {
    for (const ratings of [by([5, 1]), by([1, -1]), by([1.5, 1]), by([1])])
      expect(() => rubricScore(rubric, ratings, TWO)).toThrow(/whole points/);
    const twice = [
      { raterId: "n", points: [1, 1] },
      { raterId: "n", points: [1, 1] },
    ];
    expect(() => rubricScore(rubric, twice, TWO)).toThrow(/different persons/);
    expect(() => rubricScore([], [], TWO)).toThrow();
  });

  it("is always between nought and one, and rises with any rater's points", () => {
    for (let one = 0; one <= 4; one++)
      for (let other = Math.max(0, one - 1); other <= Math.min(4, one + 1); other++) {
        const score = rubricScore(rubric, by([one, 2], [other, 2]), TWO).score?.valueOf() ?? -1;
        expect(score).toBeGreaterThanOrEqual(0);
        expect(score).toBeLessThanOrEqual(1);
        if (one < 4 && Math.abs(one + 1 - other) <= 1)
          expect(rubricScore(rubric, by([one + 1, 2], [other, 2]), TWO).score?.valueOf()).toBeGreaterThan(score);
      }
  });
});
