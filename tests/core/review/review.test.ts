import { describe, expect, it } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { containedSkills } from "@/core/review/containedSkills";
import { forecastReview } from "@/core/review/forecastReview";
import { gradeOfRecall } from "@/core/review/gradeOfRecall";
import { minutesNeeded } from "@/core/review/minutesNeeded";
import { reviewMemory } from "@/core/review/reviewMemory";
import { reviewQueue } from "@/core/review/reviewQueue";
import { reviewRecord } from "@/core/review/reviewRecord";
import type { ReviewSkill } from "@/core/review/reviewSkill";
import { reviewStanding } from "@/core/review/reviewStanding";
import { shareRemembered } from "@/core/review/shareRemembered";

const skill = (skillId: string, over: Partial<ReviewSkill> & { stability?: number } = {}): ReviewSkill => ({
  skillId,
  strandId: "ratio",
  memory: { stabilityDays: over.stability ?? 20, difficulty: 3 },
  lastDay: 0,
  minutes: 2,
  ...over,
});

/** Default weights of FSRS-6 (Ye 2024), from the ninth on. */
const W = {
  growth: 1.8722,
  damp: 0.1666,
  recall: 0.796,
  forget: 1.4835,
  hardness: 0.0614,
  size: 0.2629,
  lapse: 1.6483,
  hard: 0.6014,
  easy: 1.8729,
  decay: 0.1542,
};

describe("memory", () => {
  it("falls to 0.9 after one stability, along the published curve", () => {
    expect(reviewMemory.recall(20, 0)).toBe(1);
    expect(reviewMemory.recall(20, 20)).toBeCloseTo(0.9, 6);
    const factor = 0.9 ** (-1 / W.decay) - 1;
    expect(reviewMemory.recall(20, 200)).toBeCloseTo((1 + 10 * factor) ** -W.decay, 6);
    expect(reviewMemory.recall(20, -3)).toBe(1);
    expect(reviewMemory.daysUntil(20, 0.9)).toBeCloseTo(20, 4);
    expect(reviewMemory.recall(20, reviewMemory.daysUntil(20, 0.8))).toBeCloseTo(0.8, 5);
  });

  it("lasts 3, 10, 20 or 40 days after the first day, by its grade", () => {
    expect(([1, 2, 3, 4] as const).map((grade) => reviewMemory.first(grade).stabilityDays)).toEqual([3, 10, 20, 40]);
  });

  it("grows with recall and shrinks with a lapse by the published formulas", () => {
    const [s, d, elapsed] = [20, 3, 20];
    const r = reviewMemory.recall(s, elapsed);
    const growth = Math.exp(W.growth) * (11 - d) * s ** -W.damp * (Math.exp((1 - r) * W.recall) - 1);
    const memory = { stabilityDays: s, difficulty: d };
    expect(reviewMemory.next(memory, elapsed, 3).stabilityDays).toBeCloseTo(s * (1 + growth), 4);
    expect(reviewMemory.next(memory, elapsed, 2).stabilityDays).toBeCloseTo(s * (1 + growth * W.hard), 4);
    expect(reviewMemory.next(memory, elapsed, 4).stabilityDays).toBeCloseTo(s * (1 + growth * W.easy), 4);
    const lapse = W.forget * d ** -W.hardness * ((s + 1) ** W.size - 1) * Math.exp((1 - r) * W.lapse);
    expect(reviewMemory.next(memory, elapsed, 1).stabilityDays).toBeCloseTo(lapse, 4);
  });

  it("refuses what cannot be", () => {
    expect(() => reviewMemory.recall(0, 1)).toThrow(/above 0/);
    expect(() => reviewMemory.next({ stabilityDays: 5, difficulty: 3 }, 0, 3)).toThrow(/day before/);
    expect(() => reviewMemory.daysUntil(5, 1)).toThrow(/between 0 and 1/);
  });

  it("is graded by rightness, help and time", () => {
    const right = { right: true, tryNumber: 1, hintsUsed: 0, timeShare: null };
    expect(gradeOfRecall(right)).toBe(3);
    expect(gradeOfRecall({ ...right, hintsUsed: 1 })).toBe(2);
    expect(gradeOfRecall({ ...right, tryNumber: 2 })).toBe(1);
    expect(gradeOfRecall({ ...right, right: false })).toBe(1);
    expect([0.5, 0.51, 1.99, 2].map((timeShare) => gradeOfRecall({ ...right, timeShare }))).toEqual([4, 3, 3, 2]);
    expect(() => gradeOfRecall({ ...right, timeShare: -1 })).toThrow(/0 or more/);
  });
});

describe("the queue", () => {
  it("takes what is due, least remembered first, as far as the minutes reach", () => {
    const skills = [
      skill("fresh", { lastDay: 25 }),
      skill("old", { stability: 5 }),
      skill("due", { lastDay: 9 }),
      skill("older", { stability: 3 }),
    ];
    expect(reviewQueue(skills, { day: 30, minutes: 4 })).toEqual({
      skillIds: ["older", "old"],
      minutes: 4,
      due: 2,
      leftOver: ["due"],
    });
    expect(reviewQueue(skills, { day: 30, minutes: 10 })).toMatchObject({ due: 3, leftOver: [] });
    expect(reviewQueue(skills, { day: 30, minutes: 1 }).skillIds).toEqual(["older"]);
    expect(reviewQueue(skills, { day: 30, minutes: 0 }).skillIds).toEqual([]);
    expect(() => reviewQueue(skills, { day: 30, minutes: -1 })).toThrow(/0 minutes/);
  });

  it("is due at 0.9, on the day itself", () => {
    const dueOn = (day: number, wanted?: number) =>
      reviewQueue([skill("a")], { day, minutes: 9, ...(wanted ? { wanted } : {}) }).due;
    expect([dueOn(19), dueOn(20), dueOn(19, 0.95)]).toEqual([0, 1, 1]);
  });

  it("fills minutes that are left with what is on its way, never before what is due, and not with what was met just now", () => {
    const skills = [skill("due", { lastDay: 5 }), skill("way", { lastDay: 15 }), skill("just", { lastDay: 24 })];
    expect(reviewQueue(skills, { day: 25, minutes: 9 })).toEqual({
      skillIds: ["due", "way"],
      minutes: 4,
      due: 1,
      leftOver: [],
    });
    expect(reviewQueue(skills, { day: 25, minutes: 2 }).skillIds).toEqual(["due"]);
  });

  it("parts the strands", () => {
    const skills = ["a", "b", "c"].map((id, place) => skill(id, { stability: place + 1 }));
    const other = ["x", "y"].map((id) => skill(id, { strandId: "number", stability: 9 }));
    const { skillIds } = reviewQueue([...skills, ...other], { day: 40, minutes: 99 });
    expect(skillIds).toEqual(["a", "x", "b", "y", "c"]);
  });
});

describe("how review stands", () => {
  it("tells recall, days overdue and days since met", () => {
    const [late, due, fresh] = reviewStanding(
      [skill("fresh", { lastDay: 28 }), skill("due", { lastDay: 10 }), skill("late")],
      30,
    );
    expect(late).toMatchObject({ skillId: "late", due: true, overdueDays: 10, daysSinceMet: 30 });
    expect(due).toMatchObject({ skillId: "due", due: true, overdueDays: 0, daysSinceMet: 20 });
    expect(fresh).toMatchObject({ skillId: "fresh", due: false, overdueDays: 0, daysSinceMet: 2 });
    expect(due?.recall).toBeCloseTo(0.9, 6);
  });

  it("tells the share remembered with its n, or that nothing is in review", () => {
    expect(shareRemembered([skill("a"), skill("b", { lastDay: 20 })], 20)).toEqual({
      share: expect.closeTo(0.95, 6),
      n: 2,
    });
    expect(shareRemembered([], 20)).toEqual({ noEstimate: "nothing-in-review" });
  });

  it("needs each skill once an interval, and never twice a day", () => {
    expect(minutesNeeded([skill("a"), skill("b", { stability: 7, minutes: 3 })], 5)).toEqual({
      needed: expect.closeTo((2 * 7) / 20 + (3 * 7) / 7, 4),
      given: 5,
      share: expect.closeTo(5 / 3.7, 3),
    });
    expect(minutesNeeded([skill("a", { stability: 0.2 })], 0).needed).toBe(14);
    expect(minutesNeeded([], 5).share).toBeNull();
    expect(() => minutesNeeded([], -1)).toThrow(/0 or more/);
  });

  it("tells what review was: accuracy, share of the time, days between meetings", () => {
    const meet = (skillId: string, day: number, right: boolean, inReview = true) => ({
      skillId,
      day,
      right,
      minutes: 2,
      inReview,
    });
    const record = reviewRecord([
      meet("a", 1, true),
      meet("a", 5, false),
      meet("a", 5, true),
      meet("a", 12, true),
      meet("b", 3, true, false),
    ]);
    expect(record).toMatchObject({ timeShare: 0.8, daysBetween: 5.5, accuracy: { share: 0.75, n: 4 } });
    expect(reviewRecord([])).toMatchObject({ timeShare: null, daysBetween: null, accuracy: { share: null } });
  });
});

describe("the forecast", () => {
  const skills = Array.from({ length: 12 }, (_, n) => skill(`s${n}`, { strandId: `t${n % 3}`, stability: 8 + n }));
  const taught = Array.from({ length: 28 }, (_, day) => day % 7 < 5);
  const plan = { fromDay: 10, taught, minutesPerDay: 4 };
  const forecast = (over: Partial<typeof plan> & { resting?: string[]; dropped?: string[] } = {}) =>
    forecastReview(skills, { ...plan, ...over }, seededRandom("forecast"), 60) ?? [];

  it("says the same for the same seed, has a week for every week begun, and orders its band", () => {
    expect(forecast()).toEqual(forecast());
    expect(forecast()).toHaveLength(4);
    expect(forecast({ taught: taught.slice(0, 8) })).toHaveLength(2);
    for (const { remembered } of forecast()) {
      expect(remembered.low).toBeLessThanOrEqual(remembered.expected);
      expect(remembered.high).toBeGreaterThanOrEqual(remembered.expected);
    }
  });

  it("remembers more with review than without, and without any only forgets", () => {
    const end = (minutesPerDay: number) => forecast({ minutesPerDay }).at(-1)?.remembered.expected ?? 0;
    expect(end(2)).toBeGreaterThan(end(0) + 0.03);
    const none = forecast({ minutesPerDay: 0 });
    expect(none.at(-1)).toMatchObject({ daysBetween: null });
    const direct = skills.map(({ memory }) => reviewMemory.recall(memory.stabilityDays, 37));
    // Students and skills remember somewhat better or worse than the model says, about it on the whole.
    const model = direct.reduce((sum, r) => sum + r, 0) / 12;
    expect(Math.abs((none.at(-1)?.remembered.expected ?? 0) - model)).toBeLessThan(0.03);
    expect(none.at(-1)?.remembered.low).toBeLessThan(model);
    expect(none.at(-1)?.remembered.high).toBeGreaterThan(model);
  });

  it("rests skills without forgetting that they fade, and drops them altogether", () => {
    const some = ["s0", "s1", "s2", "s3"];
    const [kept, rested, dropped] = [forecast(), forecast({ resting: some }), forecast({ dropped: some })];
    expect(rested.at(-1)?.minutesNeeded.expected).toBeLessThan(kept.at(-1)?.minutesNeeded.expected ?? 0);
    expect(rested.at(-1)?.remembered.expected).toBeLessThan(dropped.at(-1)?.remembered.expected ?? 0);
    expect(
      forecastReview(skills, { ...plan, dropped: skills.map(({ skillId }) => skillId) }, seededRandom("x")),
    ).toBeNull();
  });

  it("asks only on taught days", () => {
    const weekend = forecast({ taught: taught.map(() => false) });
    expect(weekend.every(({ daysBetween }) => daysBetween === null)).toBe(true);
  });
});

describe("containment", () => {
  const at = (id: string, prerequisites: string[], standards: string[], difficulty: number) => ({
    id,
    prerequisites,
    standards,
    difficulty,
  });
  const skills = [
    at("count", [], ["1"], -3),
    at("times", ["count"], ["2"], -2),
    at("tables", ["times"], ["3"], -1),
    at("rates", ["tables"], ["3", "4"], 0),
    at("unit", [], ["4"], -0.5),
    at("same", [], ["4"], 0.2),
  ];

  it("is within at most two steps of what it carries, nearest first, or by standards in a harder skill", () => {
    const all = new Set(skills.map(({ id }) => id));
    expect(containedSkills(skills, all)).toEqual([
      { skillId: "count", within: "times", because: "prerequisite" },
      { skillId: "times", within: "tables", because: "prerequisite" },
      { skillId: "tables", within: "rates", because: "prerequisite" },
      { skillId: "unit", within: "rates", because: "standards" },
    ]);
    // Over skills that are not in review themselves: two steps down, but not three.
    expect(containedSkills(skills, new Set(["times", "rates"]))).toEqual([
      { skillId: "times", within: "rates", because: "prerequisite" },
    ]);
    expect(containedSkills(skills, new Set(["count", "rates"]))).toEqual([]);
    expect(
      containedSkills(
        [at("low", [], [], 0), at("high", ["low"], [], 2), at("near", ["low"], [], 1)],
        new Set(["low", "high", "near"]),
      ),
    ).toEqual([{ skillId: "low", within: "near", because: "prerequisite" }]);
    expect(containedSkills([at("x", [], [], 0), at("y", [], [], 1)], new Set(["x", "y"]))).toEqual([]);
  });
});
