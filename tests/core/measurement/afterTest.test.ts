import { describe, expect, it } from "vitest";
import { bandOf } from "@/core/measurement/bandOf";
import { combinedScore } from "@/core/measurement/combinedScore";
import { effort } from "@/core/measurement/effort";
import { exactScore } from "@/core/measurement/exactScore";
import { expectedSeconds } from "@/core/measurement/expectedSeconds";
import { followUpSkills } from "@/core/measurement/followUpSkills";
import { gain } from "@/core/measurement/gain";
import { isUrgent } from "@/core/measurement/isUrgent";
import { missedSkills } from "@/core/measurement/missedSkills";
import { percentDown } from "@/core/measurement/percentDown";
import { percentileInNorms } from "@/core/measurement/percentileInNorms";
import { percentileRank } from "@/core/measurement/percentileRank";
import { rankMisconceptions } from "@/core/measurement/rankMisconceptions";
import { rapidLimit } from "@/core/measurement/rapidLimit";
import { reachesCut } from "@/core/measurement/reachesCut";

describe("missed skills", () => {
  const skill = (skillId: string, chance: number, right: number, given = 4) => ({ skillId, chance, right, given });

  it("are those under 0.75, or with none right, least sure first", () => {
    const results = [skill("sure", 0.75, 3), skill("unsure", 0.749, 3), skill("none", 0.9, 0), skill("least", 0.2, 1)];
    expect(missedSkills(results).map(({ skillId }) => skillId)).toEqual(["least", "unsure", "none"]);
    expect(missedSkills([skill("not asked", 0.3, 0, 0)])).toEqual([]);
    // Two of two tell little of the chance, and yet nothing was missed.
    expect(missedSkills([skill("all right", 0.5, 2, 2)])).toEqual([]);
  });

  it("are followed up under the cut, and at the cut only if wished", () => {
    const student = { score: exactScore(8, 10), results: [skill("a", 0.4, 1)] };
    expect(followUpSkills(student, { cutPercent: 80, alsoAtCut: false })).toEqual([]);
    expect(followUpSkills(student, { cutPercent: 80, alsoAtCut: true })).toHaveLength(1);
    expect(followUpSkills(student, { cutPercent: 81, alsoAtCut: false })).toHaveLength(1);
  });
});

describe("scores", () => {
  it("round down at a cut: 69.6 does not pass 70", () => {
    const score = exactScore(69.6, 100);
    expect(percentDown(score)).toBe(69);
    expect(reachesCut(score, 70)).toBe(false);
    expect(reachesCut(exactScore(7, 10), 70)).toBe(true);
    expect(reachesCut(exactScore(2, 3), 66.6)).toBe(true);
    expect(percentDown(exactScore(2, 3))).toBe(66);
    // In floating point 0.29 * 100 is 28.999999999999996.
    expect(percentDown(exactScore(29, 100))).toBe(29);
  });

  it("combine with their weights, exactly", () => {
    const parts = [
      { score: exactScore(1, 3), weight: 1 },
      { score: exactScore(1, 1), weight: 2 },
    ];
    expect(combinedScore(parts)?.toFraction()).toBe("7/9");
    expect(combinedScore([])).toBeNull();
    expect(() => combinedScore([{ score: exactScore(1, 3), weight: 0 }])).toThrow(/above 0/);
  });

  it.each([
    [-1, 10],
    [11, 10],
    [0, 0],
    [Number.NaN, 4],
  ])("refuse %d of %d", (points, most) => {
    expect(() => exactScore(points, most)).toThrow(/0 <= points <= most/);
  });
});

describe("effort", () => {
  it("calls rapid what is under a tenth of the median, from 1 to 10 seconds", () => {
    expect(rapidLimit(50)).toBe(5);
    expect(rapidLimit(4)).toBe(1);
    expect(rapidLimit(400)).toBe(10);
    expect(() => rapidLimit(Number.NaN)).toThrow(/median/);
    // Of a class that rushes the median says little; what the item is expected to take still does.
    expect(rapidLimit(3, 48)).toBeCloseTo(4.8, 12);
    expect(rapidLimit(60, 48)).toBe(6);
    // 37 words at 185 a minute are 12 s.
    expect(expectedSeconds({ words: 37, grade: 6, answeringSeconds: 20 })).toBeCloseTo(32, 12);
    expect(expectedSeconds({ words: 40, grade: 0, answeringSeconds: 5 })).toBe(35);
    expect(() => expectedSeconds({ words: 10, grade: 3, answeringSeconds: 0 })).toThrow(/takes time/);
  });

  it("is the share of answers that were not", () => {
    const at = (seconds: number) => ({ seconds, itemMedianSeconds: 40 });
    expect(effort([at(3.9), at(4), at(60), at(0)])).toEqual({ share: 0.5, rapid: [true, false, false, true], n: 4 });
    expect(effort([])).toEqual({ noEstimate: "no-answers" });
  });
});

it("misconceptions rank by students, not by answers", () => {
  const sign = (studentId: string, misconceptionId: string, times: number, secureSince = false) => ({
    studentId,
    skillId: "k",
    misconceptionId,
    times,
    secureSince,
  });
  const ranked = rankMisconceptions([
    sign("ana", "adds", 4),
    sign("ana", "swaps", 1),
    sign("ben", "swaps", 1),
    sign("cem", "halves", 1),
    sign("dan", "halves", 2),
    sign("ana", "over", 9, true),
    sign("ben", "over", 9, true),
    sign("eve", "adds", 1, true),
    { ...sign("ana", "adds", 5), skillId: "j" },
  ]);
  expect(ranked.map(({ skillId, misconceptionId }) => `${skillId} ${misconceptionId}`)).toEqual([
    "k halves",
    "k swaps",
    "k adds",
    "j adds",
    "k over",
  ]);
  expect(ranked[0]).toEqual({
    skillId: "k",
    misconceptionId: "halves",
    students: [
      { studentId: "dan", times: 2 },
      { studentId: "cem", times: 1 },
    ],
    secureSince: 0,
  });
  expect(ranked[4]).toMatchObject({ students: [], secureSince: 2 });
});

describe("gain", () => {
  const options = { semPre: 3, semPost: 4, maximum: 50 };

  it("takes both errors along and calls a change only what is beyond them", () => {
    const { students } = gain([20, 20, 20, 50], [30, 29, 10, 50], options);
    expect(students[0]).toMatchObject({
      difference: 10,
      se: 5,
      low: expect.closeTo(10 - 9.8, 2),
      high: expect.closeTo(19.8, 2),
    });
    expect(students.map(({ change }) => change)).toEqual(["up", "within-error", "down", "within-error"]);
    expect(students.map(({ normalised }) => normalised)).toEqual([1 / 3, 0.3, -1 / 3, null]);
  });

  it("gives the class mean with Student's interval and Hedges' corrected effect", () => {
    const all = gain([10, 12, 14, 16, 18], [13, 13, 18, 19, 22], options).class;
    // Differences 3 1 4 3 4: mean 3, sd 1.2247; t(0.975, 4) = 2.7764 (tables).
    expect(all?.difference).toBe(3);
    expect(all?.interval?.low).toBeCloseTo(3 - (2.7764 * 1.2247) / Math.sqrt(5), 3);
    const pooled = Math.sqrt((10 + 15.5) / 2);
    expect(all?.effect).toBeCloseTo((3 / pooled) * (1 - 3 / 31), 10);
    expect(all?.normalised).toBeCloseTo(3 / 36, 12);
  });

  it("says nothing it cannot: one student, no spread, no maximum, nobody", () => {
    expect(gain([3], [5], { semPre: 1, semPost: 1 }).class).toEqual({
      n: 1,
      difference: 2,
      interval: null,
      effect: null,
      normalised: null,
    });
    expect(gain([3, 3], [5, 5], { semPre: 1, semPost: 1 }).class?.effect).toBeNull();
    expect(gain([], [], { semPre: 1, semPost: 1 })).toEqual({ students: [], class: null });
    expect(gain([1], [1.5], { semPre: 0, semPost: 0 }).students[0]?.change).toBe("up");
    expect(() => gain([1], [], options)).toThrow(/both scores/);
    expect(() => gain([1], [51], options)).toThrow(/maximum/);
    expect(() => gain([1], [5], { semPre: -1, semPost: 0 })).toThrow(/0 or more/);
  });
});

describe("norms", () => {
  const norms = [
    { score: 10, percentile: 5 },
    { score: 20, percentile: 25 },
    { score: 40, percentile: 75 },
  ];

  it("percentile ranks count ties half", () => {
    expect(percentileRank([1, 2, 2, 3], 2)).toBe(50);
    expect(percentileRank([1, 2, 3, 4], 0)).toBe(0);
    expect(percentileRank([1, 2, 3, 4], 5)).toBe(100);
    expect(percentileRank([1, 2, 3, 4], 2.5)).toBe(50);
    expect(() => percentileRank([], 1)).toThrow(/one or more/);
    expect(() => percentileRank([Number.NaN], 1)).toThrow(/finite/);
  });

  it("interpolate between the table's lines and say when a score is beyond it", () => {
    expect(percentileInNorms(15, norms)).toEqual({ percentile: 15, beyond: null });
    expect(percentileInNorms(35, norms)).toEqual({ percentile: 62.5, beyond: null });
    expect(percentileInNorms(10, norms)).toEqual({ percentile: 5, beyond: null });
    expect(percentileInNorms(9, norms)).toEqual({ percentile: 5, beyond: "below" });
    expect(percentileInNorms(41, norms)).toEqual({ percentile: 75, beyond: "above" });
    expect(() => percentileInNorms(1, [])).toThrow(/norm table/);
    expect(() => percentileInNorms(1, [...norms].reverse())).toThrow(/rising/);
    expect(() => percentileInNorms(1, [norms[0], { score: 20, percentile: 4 }] as typeof norms)).toThrow(/rising/);
    expect(() => percentileInNorms(1, [norms[0], { score: 10, percentile: 9 }] as typeof norms)).toThrow(/rising/);
    for (const percentile of [-1, 101])
      expect(() => percentileInNorms(1, [{ score: 10, percentile }])).toThrow(/within 0 to 100/);
  });

  it("bands begin at their cut, and there are none by default", () => {
    const bands = [
      { name: "support", from: 0 },
      { name: "watch", from: 15 },
      { name: "on course", from: 40 },
    ];
    expect(bandOf(14.99, bands)?.name).toBe("support");
    expect(bandOf(15, bands)?.name).toBe("watch");
    expect(bandOf(-1, bands)).toBeNull();
    expect(bandOf(50, [])).toBeNull();
    expect(() => bandOf(1, [...bands].reverse())).toThrow(/rise/);
  });

  it("urgency is a rule of its own", () => {
    const rule = { belowPercentile: 10, fallenBy: 20 };
    expect(isUrgent(9.9, null, rule)).toBe(true);
    expect(isUrgent(10, null, rule)).toBe(false);
    expect(isUrgent(40, 60, rule)).toBe(true);
    expect(isUrgent(40, 59, rule)).toBe(false);
    expect(isUrgent(1, 90, null)).toBe(false);
    expect(isUrgent(0, null, rule)).toBe(true);
    expect(() => isUrgent(101, null, rule)).toThrow(/0 to 100/);
  });
});
