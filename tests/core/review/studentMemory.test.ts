import { describe, expect, it } from "vitest";
import { mean } from "@/core/numeric/mean";
import { sampleVariance } from "@/core/numeric/sampleVariance";
import { seededRandom } from "@/core/numeric/seededRandom";
import { forecastReview } from "@/core/review/forecastReview";
import { memorySpread } from "@/core/review/memorySpread";
import { type PastReview, USUAL_SPREAD } from "@/core/review/pastReviews";
import { studentMemory } from "@/core/review/studentMemory";
import { normal } from "~/demo/learner";

/** The forgetting curve of FSRS-6 with its default decay, written out: 0.9 after one stability. */
const recall = (days: number, stability: number) => (1 + (0.9 ** (-1 / 0.1542) - 1) * (days / stability)) ** -0.1542;

const review = (skillId: string, elapsedDays: number, right: boolean): PastReview => ({
  skillId,
  stabilityDays: 12,
  elapsedDays,
  right,
});

describe("a student's memory against the model's", () => {
  const reviews = [
    review("rates", 20, false),
    review("rates", 9, false),
    review("tables", 30, true),
    review("percent", 40, false),
  ];

  it("is what a sum over the student's and the skills' effects gives, written out anew", () => {
    const chance = (effect: number, { elapsedDays, right }: PastReview) => {
      const known = recall(elapsedDays, 12 * Math.exp(effect));
      return right ? known : 1 - known;
    };
    const ofSkill = (student: number, skillId: string) => {
      let sum = 0;
      for (let skill = -1.4; skill <= 1.4; skill += 0.01)
        sum += reviews
          .filter((one) => one.skillId === skillId)
          .reduce((all, one) => all * chance(student + skill, one), Math.exp(-((skill / 0.35) ** 2) / 2));
      return sum;
    };
    let [mass, first, second] = [0, 0, 0];
    for (let student = -1.75; student <= 1.75; student += 0.01) {
      const weight = ["rates", "tables", "percent"].reduce(
        (all, id) => all * ofSkill(student, id),
        Math.exp(-((student / 0.35) ** 2) / 2),
      );
      mass += weight;
      first += weight * student;
      second += weight * student ** 2;
    }
    const found = studentMemory(reviews);
    expect(found.mean).toBeCloseTo(first / mass, 2);
    expect(found.sd).toBeCloseTo(Math.sqrt(second / mass - (first / mass) ** 2), 2);
    expect(found.mean).toBeLessThan(0);
  });

  it("is what is known of anybody without reviews, and draws as it believes", () => {
    expect(studentMemory([]).mean).toBeCloseTo(0, 9);
    expect(studentMemory([]).sd).toBeCloseTo(USUAL_SPREAD.student, 3);
    const random = seededRandom("draws");
    const found = studentMemory(reviews);
    const draws = Array.from({ length: 4000 }, () => found.draw(["rates", "unmet"], random));
    const logs = (id: string) => draws.map((factors) => Math.log(factors.get(id) ?? 1));
    // A skill never met is as far off as the student, and differs by its own spread besides.
    expect(mean(logs("unmet"))).toBeCloseTo(found.mean, 1);
    expect(Math.sqrt(sampleVariance(logs("unmet")))).toBeCloseTo(Math.hypot(found.sd, 0.35), 1);
    expect(mean(logs("rates"))).toBeLessThan(mean(logs("unmet")));
  });

  it("moves the forecast: who forgot much will be expected to remember less", () => {
    const skills = ["rates", "tables", "percent"].map((skillId) => ({
      skillId,
      strandId: "ratio",
      memory: { stabilityDays: 12, difficulty: 5 },
      lastDay: -5,
      minutes: 2,
    }));
    const plan = { fromDay: 0, taught: Array.from({ length: 14 }, (_, day) => day % 5 === 0), minutesPerDay: 2 };
    const end = (memory?: ReturnType<typeof studentMemory>) =>
      forecastReview(skills, { ...plan, ...(memory ? { memory } : {}) }, seededRandom("f"))?.at(-1)?.remembered;
    const forgetful = studentMemory(Array.from({ length: 20 }, (_, n) => review(`k${n % 5}`, 6, n % 3 === 0)));
    expect(end(forgetful)?.expected).toBeLessThan((end()?.expected ?? 0) - 0.02);
    expect(end(forgetful)?.high).toBeLessThan(end()?.high ?? 0);
  });
});

describe("how far a school's students lie apart", () => {
  const school = (spread: number) => {
    const random = seededRandom(`school ${spread}`);
    return Array.from({ length: 120 }, () => {
      const student = normal(random, 0, spread);
      const skills = Array.from({ length: 8 }, () => student + normal(random, 0, 0.35));
      return Array.from({ length: 32 }, (_, n) => {
        const elapsed = 6 + Math.floor(random() * 30);
        const known = recall(elapsed, 12 * Math.exp(skills[n % 8] ?? 0));
        return review(`k${n % 8}`, elapsed, random() < known);
      });
    });
  };

  it("is the usual until there are reviews, and then what they say", () => {
    expect(memorySpread([]).student).toBeCloseTo(0.38, 1);
    expect(memorySpread(school(0.7)).student).toBeGreaterThan(0.45);
    expect(memorySpread(school(0)).student).toBeLessThan(0.3);
  });
});
