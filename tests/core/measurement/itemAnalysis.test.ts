import { describe, expect, it } from "vitest";
import { alphaInterval } from "@/core/measurement/alphaInterval";
import { commonOddsRatio } from "@/core/measurement/commonOddsRatio";
import { credibleInterval } from "@/core/measurement/credibleInterval";
import { cronbachAlpha } from "@/core/measurement/cronbachAlpha";
import { type ItemAnalysis, itemAnalysis } from "@/core/measurement/itemAnalysis";
import { mantelHaenszel } from "@/core/measurement/mantelHaenszel";
import { optionStatistics } from "@/core/measurement/optionStatistics";
import { upperLowerIndex } from "@/core/measurement/upperLowerIndex";
import { wilson } from "@/core/measurement/wilson";
import type { Score } from "@/core/model/score";
import { correlation } from "@/core/numeric/correlation";
import { distribution } from "@/core/numeric/distribution";
import { median } from "@/core/numeric/median";
import { quantile } from "@/core/numeric/quantile";
import { seededRandom } from "@/core/numeric/seededRandom";
import { lawSchoolScores } from "~/tests/reference/lawSchoolSections";

const done = (result: ReturnType<typeof itemAnalysis>): ItemAnalysis => {
  if ("noEstimate" in result) throw new Error(result.noEstimate);
  return result;
};

describe("numbers behind it", () => {
  it("quantiles are type 7 of Hyndman & Fan", () => {
    expect(quantile([4, 1, 3, 2], 0.25)).toBe(1.75);
    expect(quantile([1, 2, 3, 4, 5, 6, 7, 8, 9], 0.1)).toBeCloseTo(1.8, 12);
    expect(quantile([5], 0.9)).toBe(5);
    expect(median([1, 9, 3, 4])).toBe(3.5);
    expect(() => quantile([], 0.5)).toThrow(/one or more/);
    expect(() => quantile([1], 1.1)).toThrow(/0 <= p <= 1/);
  });

  it("distributions agree with the tables", () => {
    expect(distribution.normalQuantile(0.975)).toBeCloseTo(1.959964, 6);
    expect(distribution.normalQuantile(0.5001)).toBeCloseTo(0.00025066, 7);
    expect(distribution.normalBelow(1.96)).toBeCloseTo(0.9750021, 7);
    expect(distribution.studentQuantile(0.975, 10)).toBeCloseTo(2.228139, 5);
    expect(distribution.chiSquareAbove(3.841459, 1)).toBeCloseTo(0.05, 6);
    expect(distribution.fQuantile(0.95, 10, 30)).toBeCloseTo(2.16458, 4);
    expect(distribution.betaQuantile(0.5, 1, 1)).toBeCloseTo(0.5, 8);
    expect(() => distribution.normalQuantile(1)).toThrow(/between 0 and 1/);
    expect(() => distribution.studentQuantile(0.5, 0)).toThrow(/positive/);
    expect(() => distribution.chiSquareAbove(Number.NaN, 1)).toThrow(/0 or more/);
  });

  it("a correlation needs something that varies", () => {
    expect(correlation([1, 2, 3], [2, 4, 6])).toBe(1);
    expect(correlation([1, 2, 3, 4], [1, 3, 2, 4])).toBeCloseTo(0.8, 12);
    expect(correlation([1, 1, 1], [1, 2, 3])).toBeNull();
    expect(correlation([1], [1])).toBeNull();
  });
});

describe("intervals of shares", () => {
  it("Wilson's agree with Newcombe (1998, table I, method 3)", () => {
    const published = [
      [81, 263, 0.2553, 0.3662],
      [15, 148, 0.0624, 0.1605],
      [0, 20, 0, 0.1611],
      [1, 29, 0.0061, 0.1718],
    ] as const;
    for (const [k, n, low, high] of published) {
      const interval = wilson(k, n, 0.95);
      expect(interval.low).toBeCloseTo(low, 4);
      expect(interval.high).toBeCloseTo(high, 4);
    }
  });

  it("end exactly at 0 and 1, and cover everything without a case", () => {
    expect(wilson(0, 7, 0.95).low).toBe(0);
    expect(wilson(7, 7, 0.95).high).toBe(1);
    expect(wilson(0, 0, 0.95)).toEqual({ share: null, low: 0, high: 1, n: 0 });
    expect(() => wilson(3, 2, 0.95)).toThrow(/0 <= k <= n/);
    expect(() => wilson(1, 2, 1)).toThrow(/level/);
  });

  it("Jeffreys' agree with Brown, Cai & DasGupta (2001, table 5)", () => {
    const interval = credibleInterval(2, 10, 0.95);
    expect(interval.low).toBeCloseTo(0.044, 3);
    expect(interval.high).toBeCloseTo(0.503, 3);
    expect(interval.share).toBeCloseTo(2.5 / 11, 12);
    expect(credibleInterval(0, 7, 0.95)).toMatchObject({ low: 0, high: expect.closeTo(0.292, 2) });
    expect(credibleInterval(7, 7, 0.95).high).toBe(1);
    expect(() => credibleInterval(1, 2, 0.95, { right: 0, wrong: 1 })).toThrow(/prior/);
  });
});

describe("reliability", () => {
  it("is 0.295 for the law-school sections (Rizopoulos 2006), and KR-20 is the same figure", () => {
    const { alpha, n, sem, sd } = done(itemAnalysis(lawSchoolScores));
    expect(alpha).toBeCloseTo(0.295, 3);
    expect(n).toBe(1000);
    const shares = [0, 1, 2, 3, 4].map((j) => lawSchoolScores.filter((row) => row[j] === 1).length / 1000);
    const totals = lawSchoolScores.map((row) => row.filter((score) => score === 1).length);
    const centre = totals.reduce((sum, total) => sum + total, 0) / 1000;
    const variance = totals.reduce((sum, total) => sum + (total - centre) ** 2, 0) / 1000;
    expect(alpha).toBeCloseTo((5 / 4) * (1 - shares.reduce((sum, p) => sum + p * (1 - p), 0) / variance), 10);
    expect(sem).toBeCloseTo((sd ?? 0) * Math.sqrt(1 - (alpha ?? 0)), 12);
    expect(sd).toBeCloseTo(Math.sqrt((variance * 1000) / 999), 12);
  });

  it("has Feldt's interval: F(10, 30) of the tables", () => {
    const { low, high } = alphaInterval(0.7, 11, 4, 0.9);
    expect(low).toBeCloseTo(1 - 0.3 * 2.1646, 4);
    expect(high).toBeCloseTo(1 - 0.3 / 2.6996, 4);
    expect(() => alphaInterval(0.7, 1, 4, 0.9)).toThrow(/n and k/);
  });

  it("is withheld with its reason", () => {
    expect(cronbachAlpha([[1, 0]])).toEqual({ noEstimate: "too-few-students" });
    expect(cronbachAlpha([[1], [0]])).toEqual({ noEstimate: "one-item" });
    expect(
      cronbachAlpha([
        [1, 0],
        [1, 0],
      ]),
    ).toEqual({ noEstimate: "no-variance" });
    expect(() => cronbachAlpha([[1, 0], [1]])).toThrow(/one length/);
  });
});

describe("item analysis", () => {
  // Six students, four items; worked by hand.
  const scores: Score[][] = [
    [1, 1, 1, 1],
    [1, 1, 1, 0],
    [1, 1, 0, 0],
    [1, 0, 0, 1],
    [0, 1, 0, 0],
    [0, 0, 0, 1],
  ];

  it("gives each item's share, corrected correlation and alpha without it", () => {
    const { items, alpha, mean, few } = done(itemAnalysis(scores));
    expect(items.map(({ difficulty }) => difficulty)).toEqual([4 / 6, 4 / 6, 2 / 6, 3 / 6]);
    expect(mean).toBeCloseTo(13 / 6, 12);
    expect(few).toBe(true);
    const rest = scores.map((row) => (row[1] ?? 0) + (row[2] ?? 0) + (row[3] ?? 0));
    expect(items[0]?.itemRest).toBeCloseTo(correlation([1, 1, 1, 1, 0, 0], rest) ?? 9, 12);
    const without = cronbachAlpha(scores.map((row) => row.slice(0, 3).map((score) => score ?? 0)));
    expect(items[3]?.alphaIfDropped).toBeCloseTo("alpha" in without ? without.alpha : 9, 12);
    expect(items[3]?.alphaIfDropped ?? 0).toBeGreaterThan(alpha ?? 1);
    expect(items[3]?.flags).toContain("weak-discrimination");
  });

  it("counts students tied at the 27 % cut by fractions, whatever the order of rows", () => {
    // Size 0.27 * 4 = 1.08: one whole student and 0.08 of the two tied.
    const students = [
      { total: 3, right: 1 },
      { total: 2, right: 1 },
      { total: 2, right: 0 },
      { total: 1, right: 0 },
    ];
    expect(upperLowerIndex(students)).toBeCloseTo((1 + 0.08 * 0.5) / 1.08 - (0.08 * 0.5) / 1.08, 12);
    expect(upperLowerIndex([...students].reverse())).toBeCloseTo(upperLowerIndex(students) ?? 9, 12);
    expect(upperLowerIndex([{ total: 1, right: 1 }])).toBeNull();
  });

  it("leaves items not given out, and takes alpha from the complete rows", () => {
    const withGaps = [...scores, [null, null, 1, null] as Score[]];
    const { items, alpha, n } = done(itemAnalysis(withGaps));
    expect(items.map((item) => item.n)).toEqual([6, 6, 7, 6]);
    expect(items[2]?.difficulty).toBeCloseTo(3 / 7, 12);
    expect(alpha).toBe(done(itemAnalysis(scores)).alpha);
    expect(n).toBe(7);
  });

  it("flags at the stated shares", () => {
    const rows = (right: number, of: number): Score[][] =>
      Array.from({ length: of }, (_, place) => [place < right ? 1 : 0, place % 2 === 0 ? 1 : 0]);
    const flagsAt = (right: number, of: number) => done(itemAnalysis(rows(right, of))).items[0]?.flags ?? [];
    expect(flagsAt(25, 100)).not.toContain("too-hard");
    expect(flagsAt(24, 100)).toContain("too-hard");
    expect(flagsAt(95, 100)).not.toContain("too-easy");
    expect(flagsAt(96, 100)).toContain("too-easy");
  });

  it("shows who each option draws, and suspects a key that the strong do not choose", () => {
    const chosen = [["B"], ["B"], ["B"], ["A"], ["A"], ["C"], ["A"], [null]];
    const other: (0 | 1)[][] = [
      [1, 1],
      [1, 1],
      [1, 1],
      [1, 0],
      [0, 0],
      [0, 0],
      [0, 0],
      [0, 0],
    ];
    const rows = chosen.map(([option], place): Score[] => [option === "A" ? 1 : 0, ...(other[place] ?? [])]);
    const first = done(
      itemAnalysis(rows, {
        options: { chosen: chosen.map(([option]) => [option ?? null, null, null]), keys: ["A", "", ""] },
      }),
    ).items[0];
    expect(first?.options).toEqual([
      { option: "A", isKey: true, count: 3, share: 3 / 8, meanRest: expect.closeTo(1 / 6, 12), drawsTheStrong: false },
      { option: "B", isKey: false, count: 3, share: 3 / 8, meanRest: 1, drawsTheStrong: false },
      { option: "C", isKey: false, count: 1, share: 1 / 8, meanRest: 0, drawsTheStrong: false },
    ]);
    expect(first?.flags).toEqual(expect.arrayContaining(["key-suspect", "weak-discrimination"]));
  });

  it("says that an option draws the strong only where chance would seldom do it, at every number of students", () => {
    const random = seededRandom("strong");
    const flagged = (students: number, isKeyWrong: boolean) => {
      const runs = 400;
      let flags = 0;
      for (let n = 0; n < runs; n++) {
        const choices = Array.from({ length: students }, () => {
          const rest = random();
          const drawn = isKeyWrong ? rest > 0.5 && random() < 0.7 : false;
          const knows = random() < 0.3 + 0.4 * rest;
          const wrong = drawn ? "B" : ["B", "C", "D"][Math.floor(random() * 3)];
          return { option: knows && !drawn ? "A" : (wrong ?? "B"), rest };
        });
        if (optionStatistics(choices, "A").some(({ drawsTheStrong }) => drawsTheStrong)) flags++;
      }
      return flags / runs;
    };
    for (const students of [8, 15, 30, 100, 400]) expect(flagged(students, false), `${students}`).toBeLessThan(0.05);
    expect(flagged(100, true)).toBeGreaterThan(0.5);
    expect(
      optionStatistics(
        ["B", "B", "B", "A", "A"].map((option) => ({ option, rest: option === "B" ? 1 : 0 })),
        "A",
      ).some(({ drawsTheStrong }) => drawsTheStrong),
    ).toBe(false);
  });

  it("flags an item that more than a tenth answered too fast", () => {
    const seconds = (fast: number) => Array.from({ length: 20 }, (_, place) => [place < fast ? 2 : 40]);
    const rows = Array.from({ length: 20 }, (_, place): Score[] => [place % 2 === 0 ? 1 : 0]);
    expect(done(itemAnalysis(rows, { seconds: seconds(2) })).items[0]?.flags).not.toContain("too-fast");
    expect(done(itemAnalysis(rows, { seconds: seconds(3) })).items[0]?.flags).toContain("too-fast");
  });

  it("answers the empty, the single and the flat with reasons, never NaN", () => {
    expect(itemAnalysis([])).toEqual({ noEstimate: "no-students" });
    expect(itemAnalysis([[], []])).toEqual({ noEstimate: "no-items" });
    expect(done(itemAnalysis([[1, 0]]))).toMatchObject({
      alpha: null,
      noAlpha: "too-few-students",
      sd: null,
      sem: null,
      mean: 1,
    });
    expect(
      done(
        itemAnalysis([
          [1, 1],
          [1, 1],
        ]),
      ),
    ).toMatchObject({ alpha: null, noAlpha: "no-variance", sd: 0 });
    const missing = done(
      itemAnalysis([
        [null, null],
        [null, null],
      ]),
    );
    expect(missing.items[0]).toMatchObject({
      difficulty: null,
      itemRest: null,
      upperLower: null,
      alphaIfDropped: null,
      n: 0,
    });
    expect(JSON.stringify(missing)).not.toMatch(/NaN|Infinity/);
    expect(() => itemAnalysis([[1, 0], [1]])).toThrow(/one score/);
  });

  it("says that under 30 students is few", () => {
    const rows = (n: number) => Array.from({ length: n }, (_, place): Score[] => [place % 2 === 0 ? 1 : 0, 1]);
    expect(done(itemAnalysis(rows(29))).few).toBe(true);
    expect(done(itemAnalysis(rows(30))).few).toBe(false);
  });
});

describe("Mantel-Haenszel", () => {
  it("agrees with the six departments of Bickel, Hammel & O'Connell (1975): odds ratio 0.905, chi-square 1.43", () => {
    const departments = [
      [512, 313, 89, 19],
      [353, 207, 17, 8],
      [120, 205, 202, 391],
      [138, 279, 131, 244],
      [53, 138, 94, 299],
      [22, 351, 24, 317],
    ] as const;
    const odds = commonOddsRatio(departments.map(([a, b, c, d]) => ({ a, b, c, d })));
    if ("noEstimate" in odds) throw new Error("estimate wanted");
    expect(odds.oddsRatio).toBeCloseTo(0.9046968, 6);
    expect(odds.chiSquare).toBeCloseTo(1.4269, 4);
    expect(odds.p).toBeCloseTo(0.2323, 4);
    expect(Math.exp(Math.log(odds.oddsRatio) + 1.959964 * odds.logSe)).toBeCloseTo(1.0603298, 5);
  });

  it("takes the correction off only where the difference is at least as large", () => {
    const even = commonOddsRatio([{ a: 5, b: 5, c: 5, d: 5 }]);
    expect(even).toMatchObject({ chiSquare: 0, p: 1, oddsRatio: 1 });
    // |a - E| = 0.2619 stays as it is.
    const near = commonOddsRatio([{ a: 6, b: 5, c: 5, d: 5 }]);
    expect(near).toMatchObject({
      chiSquare: expect.closeTo((6 - (11 * 11) / 21) ** 2 / ((11 * 10 * 11 * 10) / (21 * 21 * 20)), 10),
    });
  });

  it("classes an item that is much harder for one group as C, the others as A", () => {
    const rows: Score[][] = [];
    const group: (0 | 1)[] = [];
    for (let n = 0; n < 400; n++) {
      const focal = n % 2 === 1;
      const strength = Math.floor(n / 2) % 4;
      const rest: Score[] = [0, 1, 2, 3, 4].map((j) => ((n + j * 7) % 5 <= strength ? 1 : 0));
      const wanted = focal ? 0.25 : 0.75;
      rows.push([(Math.floor(n / 8) * 37) % 100 < wanted * 100 ? 1 : 0, ...rest]);
      group.push(focal ? 1 : 0);
    }
    const [biased] = mantelHaenszel(rows, group);
    expect(biased).toMatchObject({ size: "C" });
    expect(biased && "delta" in biased ? biased.delta : 0).toBeLessThan(-1.5);
    const [turned] = mantelHaenszel(
      rows,
      group.map((value) => (value === 1 ? 0 : 1)),
    );
    expect(turned && "delta" in turned ? turned.delta : 0).toBeCloseTo(
      -(biased && "delta" in biased ? biased.delta : 0),
      10,
    );
  });

  it("measures delta as -2.35 times the log odds ratio", () => {
    const rows: Score[][] = [
      [1, 0],
      [1, 0],
      [0, 1],
      [1, 0],
      [0, 1],
      [0, 1],
    ];
    const [first] = mantelHaenszel(rows, [0, 0, 0, 1, 1, 1]);
    expect(first).toMatchObject({ oddsRatio: 4, delta: expect.closeTo(-2.35 * Math.log(4), 10), size: "A", n: 6 });
  });

  it("compares nothing where one group is missing, and refuses other groups", () => {
    expect(
      mantelHaenszel(
        [
          [1, 0],
          [0, 1],
        ],
        [0, 0],
      ),
    ).toEqual([{ noEstimate: "no-comparison" }, { noEstimate: "no-comparison" }]);
    expect(mantelHaenszel([], [])).toEqual([]);
    expect(
      mantelHaenszel(
        [
          [1, null],
          [0, 1],
        ],
        [0, 1],
      )[0],
    ).toEqual({ noEstimate: "no-comparison" });
    expect(() => mantelHaenszel([[1]], [])).toThrow(/group/);
    expect(() => mantelHaenszel([[1]], [2 as 1])).toThrow(/reference/);
  });
});
