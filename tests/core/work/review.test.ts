import { describe, expect, it } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { chooseNext, chooseReserve } from "@/core/work/chooseNext";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { nextInReview } from "@/core/work/nextInReview";
import type { PartSituation } from "@/core/work/partSituation";
import type { SittingItem } from "@/core/work/sittingItem";
import { EMPTY_SITUATION } from "~/tests/support/emptySituation";

const review = conductorOf("review");

const pool = (id: string) =>
  Array.from({ length: 6 }, (_, seed) => ({
    itemId: `${id}/one`,
    versionId: `${id}/one@1`,
    seed,
    contexts: ["garden"],
    parameters: { a: 1.4, b: 0, c: 0 },
  }));
const skill = (id: string, prerequisites: readonly string[] = [], difficulty = 0) => ({
  strandId: "s",
  grade: 6,
  difficulty,
  prerequisites,
  contrasts: [],
  unlocks: 0,
  pool: pool(id),
});
/** "rates" stands on "ratios", which is easier to have, and on "tables"; "area" stands on what has no items. */
const skills = new Map([
  ["rates", skill("rates", ["ratios", "tables"])],
  ["area", skill("area", ["squares"])],
  ["ratios", skill("ratios", [], -2)],
  ["tables", skill("tables", [], 2)],
  ["squares", { ...skill("squares"), pool: [] }],
]);
const given = (skillId: string, over: Partial<SittingItem> = {}): SittingItem => ({
  id: `${skillId} ${over.seed ?? 0}`,
  state: "done",
  skillId,
  itemId: `${skillId}/one`,
  versionId: `${skillId}/one@1`,
  seed: 0,
  context: "garden",
  tries: 1,
  points: 1,
  earned: 1,
  possible: 1,
  setAside: false,
  ...over,
});
const missed = { earned: 0, tries: 2 } as const;
const situation = (items: readonly SittingItem[] = [], over: Partial<PartSituation> = {}): PartSituation => ({
  ...EMPTY_SITUATION,
  settings: { items: 60 },
  skillIds: ["rates", "area", "ratios", "tables", "squares"],
  state: { asked: ["rates", "area"], minutes: 5 },
  skills,
  items,
  ...over,
});
const next = (items: readonly SittingItem[]) => nextInReview(situation(items), items);

describe("a day's review", () => {
  it("asks each skill once, in the order of the queue, and ends with it", () => {
    expect(next([])).toBe("rates");
    expect(next([given("rates")])).toBe("area");
    expect(next([given("rates"), given("area")])).toBeNull();
    expect(review.end(situation([given("rates")]))).toEqual({ progress: 0.5, done: false, reason: null });
    expect(review.end(situation([given("rates"), given("area")]))).toEqual({
      progress: 1,
      done: true,
      reason: "amount",
    });
    expect(chooseNext(review, situation(), seededRandom("review"))).toMatchObject({ skillId: "rates" });
  });

  it("goes underneath after a miss, to what is least sure, and comes back to it at the end", () => {
    const after = [given("rates", missed)];
    expect(next(after)).toBe("tables");
    expect(next([...after, given("tables")])).toBe("area");
    const all = [...after, given("tables"), given("area")];
    expect(next(all)).toBe("rates");
    expect(review.end(situation(all))).toMatchObject({ progress: 0.75, done: false });
    // Once more, right or not, and it is over: it is due again soon.
    expect(next([...all, given("rates", { ...missed, seed: 1 })])).toBeNull();
    expect(review.end(situation([...all, given("rates", { seed: 1 })])).done).toBe(true);
  });

  it("goes no way round where there is nothing underneath to ask, or it was asked already", () => {
    expect(next([given("rates"), given("area", missed)])).toBe("area");
    expect(next([given("tables"), given("rates", missed)])).toBe("area");
  });

  it("is not missed where a second try was right, but not remembered either: the first try counts", () => {
    expect(next([given("rates", { tries: 2, earned: 0 })])).toBe("tables");
    expect(
      review.mark(situation([given("rates", missed), given("area"), given("rates", { seed: 1 })]))?.toFraction(),
    ).toBe("1/2");
  });

  it("ends with the day's minutes, after the item at hand, however much is left", () => {
    const spent = { activeMilliseconds: 5 * 60_000 };
    expect(review.end(situation([given("rates")], spent))).toEqual({ progress: 1, done: true, reason: "budget" });
    const open = [given("rates"), given("area", { state: "open", earned: 0 })];
    expect(review.end(situation(open, spent)).done).toBe(false);
    // Who needs more time gets it.
    expect(review.end(situation([given("rates")], { ...spent, timeFactor: 1.5 })).done).toBe(false);
    expect(review.end(situation([given("rates")], { ...spent, extraMinutes: 2 })).done).toBe(false);
  });

  it("holds ready what the queue has, and no skill twice, without a connection", () => {
    const reserve = chooseReserve(review, situation(), 4, seededRandom("reserve"));
    expect(reserve.map(({ skillId }) => skillId)).toEqual(["rates", "area"]);
  });

  it("an empty one is over at once", () => {
    expect(review.end(situation([], { state: { asked: [] } })).done).toBe(true);
  });

  it("never goes back, and is full at the end alone", () => {
    const random = seededRandom("progress of review");
    for (let round = 0; round < 200; round++) {
      const items: SittingItem[] = [];
      let last = 0;
      for (let n = 0; n < 12; n++) {
        const skillId = nextInReview(situation(items), items);
        if (skillId === null) break;
        items.push(given(skillId, random() < 0.5 ? { seed: n } : { ...missed, seed: n }));
        const { progress, done } = review.end(situation(items));
        expect(progress).toBeGreaterThanOrEqual(last);
        expect(progress === 1).toBe(done);
        last = progress;
      }
      expect(last).toBe(1);
    }
  });
});
