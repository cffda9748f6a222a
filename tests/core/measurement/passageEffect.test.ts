import { describe, expect, it } from "vitest";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { eap } from "@/core/measurement/eap";
import { overPassage, passageWeight } from "@/core/measurement/passageEffect";
import { seededRandom } from "@/core/numeric/seededRandom";
import { abilityFromRecords } from "@/core/selection/diagnostic/abilityFromRecords";
import { answer } from "@/core/selection/diagnostic/answer";
import type { DiagnosticItem, DiagnosticState } from "@/core/selection/diagnostic/diagnosticState";
import { next } from "@/core/selection/diagnostic/next";
import { notLearned } from "@/core/selection/diagnostic/notLearned";
import { start } from "@/core/selection/diagnostic/start";

const right = (theta: number, { a, b }: { a: number; b: number }) => 1 / (1 + Math.exp(-a * (theta - b)));
const PRIOR = { mean: 0.2, sd: 1.1 };

describe("what the answers to one passage tell", () => {
  const record = (b: number, outcome: "right" | "wrong", passageId?: string) => ({
    a: 1.3,
    b,
    c: 0,
    outcome,
    passageId,
  });

  it("is what a sum over ability and the passages' effects gives, written out anew", () => {
    const records = [
      record(-0.5, "right", "mill"),
      record(0, "right", "mill"),
      record(0.4, "right", "mill"),
      record(0.1, "wrong", "weir"),
      record(0.8, "wrong", "weir"),
      record(0.3, "right"),
    ];
    const chance = (at: number, { b, outcome }: (typeof records)[number]) =>
      outcome === "right" ? right(at, { a: 1.3, b }) : 1 - right(at, { a: 1.3, b });
    const ofPassage = (theta: number, id: string) => {
      let sum = 0;
      for (let effect = -4; effect <= 4; effect += 0.02)
        sum += records
          .filter(({ passageId }) => passageId === id)
          .reduce((all, one) => all * chance(theta + effect, one), Math.exp(-(effect ** 2) / (2 * 0.36)));
      return sum;
    };
    let [mass, first, second] = [0, 0, 0];
    for (let theta = -6; theta <= 6; theta += 0.02) {
      const weight =
        Math.exp(-((theta - 0.2) ** 2) / (2 * 1.21)) *
        ofPassage(theta, "mill") *
        ofPassage(theta, "weir") *
        chance(theta, record(0.3, "right"));
      mass += weight;
      first += weight * theta;
      second += weight * theta ** 2;
    }
    const found = abilityFromRecords(records, PRIOR);
    expect(found.theta).toBeCloseTo(first / mass, 4);
    expect(found.se).toBeCloseTo(Math.sqrt(second / mass - (first / mass) ** 2), 4);
    const asIfAlone = abilityFromRecords(
      records.map((one) => ({ ...one, passageId: undefined })),
      PRIOR,
    );
    expect(found.se).toBeGreaterThan(asIfAlone.se + 0.03);
    expect(asIfAlone).toEqual(eap(records, [1, 1, 1, 0, 0, 1], PRIOR));
  });

  it("stands beside what was set aside as not learned", () => {
    const aside = [record(-0.2, "right", "mill"), { ...record(0.9, "wrong", "mill"), outcome: "not-learned" as const }];
    expect(abilityFromRecords(aside, PRIOR).theta).toBeLessThan(abilityFromRecords(aside.slice(0, 1), PRIOR).theta);
  });

  it("adds ever less to the next answer, and never more in all than the effect allows", () => {
    expect(overPassage(0.3, (at) => at * 0 - 2)).toBeCloseTo(-2, 12);
    let told = 0;
    for (let n = 1; n <= 400; n++) {
      const weight = passageWeight(n, 0.3);
      expect(weight).toBeLessThan(n === 1 ? 1 : passageWeight(n - 1, 0.3));
      told += weight * 0.3;
      expect(told).toBeCloseTo((n * 0.3) / (1 + n * 0.3 * 0.36), 10);
    }
    expect(told).toBeLessThan(1 / 0.36);
    expect(passageWeight(5, 0.3, 0)).toBe(1);
    expect(() => passageWeight(0, 0.3)).toThrow(/from 1/);
  });

  it("moves the chance of mastery less in practice than as many answers without a passage, and leaves it less sure", () => {
    const after = (hasPassage: boolean) => {
      let state: SkillState | null = null;
      for (let n = 1; n <= 4; n++)
        state = updateSkillState(
          state,
          { mean: -0.3, spread: 1 },
          {
            share: 1,
            tryNumber: 1,
            hintsUsed: 0,
            itemId: `i${n}`,
            item: { a: 1.5, b: 0.4, c: 0 },
            day: 0,
            ...(hasPassage ? { ofPassage: n } : {}),
          },
          0,
        );
      return state as SkillState;
    };
    expect(after(true).mean).toBeLessThan(after(false).mean - 0.1);
    expect(after(true).spread).toBeGreaterThan(after(false).spread);
  });
});

describe("a passage in a diagnostic", () => {
  const pool = Array.from(
    { length: 60 },
    (_, n): DiagnosticItem => ({
      id: `i${n}`,
      strandId: "reading",
      area: n % 2 === 0 ? "inference" : "main idea",
      grade: 3 + (n % 4),
      a: 1.2 + (n % 5) / 10,
      b: -1.5 + n / 20,
      c: 0,
      ...(n < 48 ? { passageId: `p${Math.floor(n / 6)}` } : {}),
      seenDaysAgo: null,
      exposure: 0,
    }),
  );
  const strand = { id: "reading", prior: { mean: 0, sd: 1 }, blueprint: { inference: 1, "main idea": 1 } };
  const passageOf = (itemId: string | null) => pool.find(({ id }) => id === itemId)?.passageId;

  it("is asked on until it has its four items, each once, before anything else comes", () => {
    const random = seededRandom("passage");
    let state: DiagnosticState = start([strand], { stopSe: 0.05 });
    const given: (string | undefined)[] = [];
    for (;;) {
      const step = next(state, pool, random);
      if (step.itemId === null) break;
      given.push(passageOf(step.itemId));
      state = answer(step.state, step.itemId, random() < 0.5);
    }
    expect(given).toHaveLength(20);
    const runs = given.join(" ").split(/ (?=p)/);
    expect(runs.length).toBeGreaterThan(3);
    given.forEach((passage, place) => {
      const before = given.slice(0, place).filter((one) => one === passage).length;
      if (passage !== undefined && before > 0 && before < 4) expect(given[place - 1]).toBe(passage);
      if (passage !== undefined) expect(before).toBeLessThan(4);
    });
    expect(new Set(state.records.map(({ itemId }) => itemId)).size).toBe(20);
  });

  it("is left by whoever sets one of its items aside", () => {
    const random = seededRandom("aside");
    const one = next(start([strand]), pool.slice(0, 48), random);
    const two = next(notLearned(one.state, one.itemId ?? ""), pool.slice(0, 48), random);
    const [first, second] = [one, two].map(({ itemId }) => pool.find(({ id }) => id === itemId));
    expect(second?.grade).toBeLessThan(first?.grade ?? 0);
  });

  it("refuses a number of items that no passage could have", () => {
    expect(() => start([strand], { itemsOfPassage: 0 })).toThrow(/least items/);
  });
});
