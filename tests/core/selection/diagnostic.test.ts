import { describe, expect, it } from "vitest";
import { eap } from "@/core/measurement/eap";
import { information } from "@/core/measurement/information";
import { seededRandom } from "@/core/numeric/seededRandom";
import { answer } from "@/core/selection/diagnostic/answer";
import type { DiagnosticItem, DiagnosticState } from "@/core/selection/diagnostic/diagnosticState";
import { finish } from "@/core/selection/diagnostic/finish";
import { gradesAround } from "@/core/selection/diagnostic/gradesAround";
import { next } from "@/core/selection/diagnostic/next";
import { notLearned } from "@/core/selection/diagnostic/notLearned";
import { start } from "@/core/selection/diagnostic/start";
import { shortCheck } from "@/core/selection/shortCheck";
import { BLUEPRINT, syntheticBank } from "~/scripts/prove/bank";
import { sitAll } from "~/scripts/prove/diagnostic";

const strand = { id: "ratio", prior: { mean: 0, sd: 1 }, blueprint: { tables: 2, rates: 1 } };
const item = (n: number, over: Partial<DiagnosticItem> = {}): DiagnosticItem => ({
  id: `i${n}`,
  strandId: "ratio",
  area: n % 2 === 0 ? "tables" : "rates",
  grade: 6 + Math.round(((n % 41) - 20) / 10),
  a: 1.5,
  b: ((n % 41) - 20) / 8,
  c: 0,
  seenDaysAgo: null,
  exposure: 0,
  ...over,
});
const pool = Array.from({ length: 200 }, (_, n) => item(n));
const first = () => 0;

/** Goes on until the end, answering by a rule. */
function run(state: DiagnosticState, items: readonly DiagnosticItem[], right: (item: DiagnosticItem) => boolean) {
  const random = seededRandom("diagnostic");
  const given: DiagnosticItem[] = [];
  for (;;) {
    const step = next(state, items, random);
    state = step.state;
    if (step.itemId === null) return { state, given };
    const now = items.find(({ id }) => id === step.itemId) as DiagnosticItem;
    given.push(now);
    state = answer(state, now.id, right(now));
  }
}
const begin = (settings = {}) => start([strand], settings);

describe("the next item", () => {
  it("has most information at the prior mean first, then at the estimate", () => {
    const one = next(begin({ randomAmong: 1 }), pool, first);
    const tables = pool.filter(({ area }) => area === "tables");
    const most = (theta: number, items: readonly DiagnosticItem[]) =>
      Math.max(...items.map((own) => information(theta, own)));
    const chosen = pool.find(({ id }) => id === one.itemId) as DiagnosticItem;
    expect(information(0, chosen)).toBe(most(0, tables));
    const two = next(answer(one.state, chosen.id, true), pool, first);
    const theta = eap([chosen], [1], strand.prior).theta;
    const rates = pool.filter(({ area }) => area === "rates");
    expect(information(theta, pool.find(({ id }) => id === two.itemId) as DiagnosticItem)).toBe(most(theta, rates));
  });

  it("is drawn among the best twenty unless stated, as far as they have nearly the best one's information", () => {
    const drawn = (settings: object) =>
      new Set(Array.from({ length: 50 }, (_, n) => next(begin(settings), pool, () => n / 50).itemId));
    const values = pool
      .filter(({ area }) => area === "tables")
      .map((own) => information(0, own))
      .sort((x, y) => y - x);
    const worst = (ids: ReadonlySet<string | null>) =>
      Math.min(...[...ids].map((id) => information(0, pool.find((own) => own.id === id) as DiagnosticItem)));
    const five = drawn({ nearBest: 0.01, randomAmong: 5 });
    expect(five.size).toBe(5);
    expect(worst(five)).toBe(values[4]);
    expect(drawn({ nearBest: 0.01, randomAmong: 3 }).size).toBe(3);
    const steep = pool.map((own, n) => ({ ...own, a: n === 20 ? 2 : own.a * (n === 61 ? 1 : 0.9) }));
    const near = new Set(
      Array.from({ length: 50 }, (_, n) => next(begin({ nearBest: 0.95 }), steep, () => n / 50).itemId),
    );
    const best = Math.max(...steep.filter(({ area }) => area === "tables").map((own) => information(0, own)));
    for (const id of near)
      expect(information(0, steep.find((own) => own.id === id) as DiagnosticItem)).toBeGreaterThanOrEqual(0.95 * best);
    expect(near.size).toBeLessThan(5);
    expect(drawn({}).size).toBeGreaterThan(5);
  });

  it("keeps to the blueprint, two to one", () => {
    const { given } = run(begin({ stopSe: 0.01, mostItems: 12 }), pool, (own) => own.b < 0);
    for (const length of [3, 6, 9, 12])
      expect(given.slice(0, length).filter(({ area }) => area === "tables")).toHaveLength((length * 2) / 3);
  });

  it("was not met within 180 days, lies within 2.5 SD and is not overexposed", () => {
    const odd = [
      item(1, { area: "tables", b: 0, seenDaysAgo: 179 }),
      item(2, { area: "tables", b: 2.6 }),
      item(3, { area: "tables", b: 0, exposure: 0.25 }),
    ];
    const good = item(4, { b: 2.5, seenDaysAgo: 180, exposure: 0.249 });
    expect(next(begin(), [...odd, good], first).itemId).toBe(good.id);
    // Nothing else is left: the window goes first, then the exposure cap, the 180 days never.
    expect(next(begin(), odd, first).itemId).toBe("i2");
    expect(next(begin(), [odd[0], odd[2]] as DiagnosticItem[], first).itemId).toBe("i3");
    expect(next(begin(), [odd[0]] as DiagnosticItem[], first)).toMatchObject({
      itemId: null,
      state: { finished: true, exhausted: ["ratio"] },
    });
    expect(next(begin({ bounds: { low: -1, high: 1 } }), [odd[1], good] as DiagnosticItem[], first).itemId).toBeNull();
  });

  it("keeps the window around the student's own prior, and the hard bounds with their ends", () => {
    const high = start([{ ...strand, prior: { mean: 1, sd: 1 } }]);
    const [inside, outside] = [item(2, { b: 3.5 }), item(4, { b: -1.51, a: 9 })];
    expect(next(high, [outside, inside], first).itemId).toBe(inside.id);
    for (const b of [-1, 1])
      expect(next(begin({ bounds: { low: -1, high: 1 } }), [item(2, { b })], first).itemId).toBe("i2");
  });

  it("is never given twice and comes from the strand asked for", () => {
    const others = pool.map((own) => ({ ...own, id: `other ${own.id}`, strandId: "other" }));
    const { given } = run(begin({ stopSe: 0.01 }), [...others, ...pool], (own) => own.b < 0.3);
    expect(new Set(given.map(({ id }) => id)).size).toBe(given.length);
    expect(given.every(({ strandId }) => strandId === "ratio")).toBe(true);
  });
});

describe("a strand ends", () => {
  it("at the standard error asked for, not before six items", () => {
    const { state, given } = run(begin({ stopSe: 5 }), pool, (own) => own.b < 0);
    expect(given).toHaveLength(6);
    expect(finish(state).report[0]).toMatchObject({ ended: "precise", length: 6 });
    const precise = run(begin({ mostItems: 200 }), pool, (own) => own.b < 0.4);
    const se = finish(precise.state).report[0]?.ability.se ?? 9;
    expect(se).toBeLessThanOrEqual(0.3);
    const before = eap(
      precise.given.slice(0, -1),
      precise.given.slice(0, -1).map((own) => (own.b < 0.4 ? 1 : 0)),
      strand.prior,
    );
    expect(before.se).toBeGreaterThan(0.3);
  });

  it("at twenty items at the latest, or when the pool is empty", () => {
    const { given, state } = run(begin({ stopSe: 0.01 }), pool, () => true);
    expect(given).toHaveLength(20);
    expect(finish(state).report[0]?.ended).toBe("length");
    const small = run(begin({ stopSe: 0.01 }), pool.slice(0, 7), () => true);
    expect(finish(small.state).report[0]).toMatchObject({ ended: "pool", length: 7 });
  });

  it("and the next begins; each is estimated from its own answers", () => {
    const other = { id: "number", prior: { mean: 1, sd: 0.8 }, blueprint: { all: 1 } };
    const more = Array.from({ length: 60 }, (_, n) => item(n, { id: `n${n}`, strandId: "number", area: "all" }));
    const { state, given } = run(
      start([strand, other], { stopSe: 5 }),
      [...pool, ...more],
      (own) => own.strandId === "number",
    );
    expect(given.map(({ strandId }) => strandId)).toEqual([
      ...new Array(6).fill("ratio"),
      ...new Array(6).fill("number"),
    ]);
    const [ratio, number] = finish(state).report;
    expect(ratio?.ability.theta).toBeLessThan(-0.5);
    expect(number?.ability.theta).toBeGreaterThan(1.5);
  });
});

describe("not learned yet", () => {
  it("is not wrong, counts in length, goes a grade down and is reported", () => {
    const one = next(begin(), pool, first);
    const given = pool.find(({ id }) => id === one.itemId) as DiagnosticItem;
    const aside = notLearned(one.state, given.id);
    const two = next(aside, pool, first);
    expect(pool.find(({ id }) => id === two.itemId)?.grade).toBe(given.grade - 1);
    const { report } = finish(aside);
    expect(report[0]).toMatchObject({
      length: 1,
      ended: "stopped",
      notYetTaught: { [given.area]: 1 },
      ability: { n: 0 },
    });
    // Not wrong, but a sign all the same: more often set aside by those who stand lower.
    const wrong = finish(answer(one.state, given.id, false)).report[0]?.ability.theta ?? 0;
    expect(report[0]?.ability.theta).toBeLessThan(-0.1);
    expect(report[0]?.ability.theta).toBeGreaterThan(wrong);
  });

  it("leaves the estimate unbiased however much of the unknown is set aside, and when some is on purpose", () => {
    const bank = syntheticBank(600);
    for (const habits of [{ asideUnknown: 0.5 }, { asideUnknown: 0.95 }, { asideUnknown: 0.5, asideKnown: 0.1 }]) {
      const { sittings } = sitAll(bank, BLUEPRINT, { ...habits, students: 250 });
      const bias = sittings.reduce((sum, { theta, truth }) => sum + theta - truth, 0) / sittings.length;
      expect(Math.abs(bias), JSON.stringify(habits)).toBeLessThan(0.12);
    }
  });

  it("never makes a placement precise on nothing, however narrow the prior", () => {
    let state = start([{ ...strand, prior: { mean: 0, sd: 0.2 } }], { mostItems: 8 });
    for (let step = next(state, pool, first); step.itemId; step = next(state, pool, first))
      state = notLearned(step.state, step.itemId);
    expect(finish(state).report[0]).toMatchObject({ ended: "length", length: 8, ability: { n: 0 } });
  });

  it("keeps within the grades that were set, for want of items too", () => {
    const { lowest, highest } = gradesAround(6) ?? { lowest: 0, highest: 0 };
    const { given } = run(begin({ stopSe: 0.01, grades: { lowest, highest } }), pool, () => true);
    expect(given.every(({ grade }) => grade >= 2 && grade <= 7)).toBe(true);
    expect(next(begin({ grades: { lowest: 9, highest: 9 } }), pool, first).itemId).toBeNull();
  });

  it("stays with what there is when no lower grade is left", () => {
    const flat = pool.map((own) => ({ ...own, grade: 3 }));
    const one = next(begin(), flat, first);
    expect(next(notLearned(one.state, one.itemId ?? ""), flat, first).itemId).not.toBeNull();
  });
});

describe("the state", () => {
  it("goes on from its plain form exactly as if it had never stopped", () => {
    const whole = run(begin(), pool, (own) => own.b < 0.4);
    const random = seededRandom("diagnostic");
    let state = begin();
    for (;;) {
      const step = next(JSON.parse(JSON.stringify(state)), pool, random);
      if (step.itemId === null) break;
      expect(next(step.state, pool, () => 0.99).itemId).toBe(step.itemId);
      const now = pool.find(({ id }) => id === step.itemId) as DiagnosticItem;
      state = answer(JSON.parse(JSON.stringify(step.state)), now.id, now.b < 0.4);
    }
    expect(state.records).toEqual(whole.state.records);
  });

  it("counts an answer sent twice once, and none to an item it did not give", () => {
    const one = next(begin(), pool, first);
    const answered = answer(one.state, one.itemId ?? "", true);
    expect(answer(answered, one.itemId ?? "", false)).toBe(answered);
    expect(() => answer(answered, "never", true)).toThrow(/not given/);
    const closed = finish(one.state).state;
    expect(closed.records).toEqual([]);
    expect(next(closed, pool, first).itemId).toBeNull();
  });

  it("refuses settings nobody could follow", () => {
    expect(() => begin({ leastItems: 21 })).toThrow(/least items/);
    expect(() => begin({ bounds: { low: 1, high: 1 } })).toThrow(/bounds/);
    expect(() => start([{ ...strand, blueprint: {} }])).toThrow(/ratio needs/);
    expect(() => start([{ ...strand, prior: { mean: 0, sd: 0 } }])).toThrow(/sd > 0/);
  });
});

describe("short check", () => {
  const one = (right: boolean) => ({ right, guess: 0.2, slip: 0.1 });
  it("ends by Wald's ratio at ln 9, from two items to five", () => {
    // ln(0.9 / 0.2) = 1.504 twice is over ln 9 = 2.197; ln(0.1 / 0.8) = -2.079 twice under it.
    expect(shortCheck([one(true)])).toMatchObject({ verdict: null, done: false });
    expect(shortCheck([one(true), one(true)])).toMatchObject({ verdict: "mastered", done: true });
    expect(shortCheck([one(false)])).toMatchObject({ verdict: null });
    expect(shortCheck([one(false), one(false)]).verdict).toBe("not-mastered");
    expect(shortCheck([{ right: true, guess: 0.05, slip: 0.05 }]).done).toBe(false);
    const even = [one(true), one(false), one(true), one(false), one(true)];
    expect(shortCheck(even.slice(0, 4)).done).toBe(false);
    expect(shortCheck(even)).toMatchObject({ verdict: "undecided", done: true });
    expect(shortCheck(even).logOdds).toBeCloseTo(3 * Math.log(4.5) + 2 * Math.log(0.125), 12);
    expect(() => shortCheck([{ right: true, guess: 0, slip: 0.1 }])).toThrow(/above 0/);
  });
  it("takes ln 9 as its limit", () => {
    const at = (odds: number) =>
      shortCheck([
        { right: true, guess: 0.9 / Math.sqrt(odds), slip: 0.1 },
        { right: true, guess: 0.9 / Math.sqrt(odds), slip: 0.1 },
      ]);
    expect(at(9.01).verdict).toBe("mastered");
    expect(at(8.99).verdict).toBeNull();
  });
});
