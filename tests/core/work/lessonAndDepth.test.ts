import { describe, expect, it } from "vitest";
import type { SkillState } from "@/core/mastery/skillState";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { depthInStrand } from "@/core/work/depthInStrand";
import type { PartSituation } from "@/core/work/partSituation";
import type { SittingItem } from "@/core/work/sittingItem";
import { EMPTY_SITUATION } from "~/tests/support/emptySituation";

/** A chain a, b, c, d: each builds on the one before and is harder. */
const CHAIN = ["a", "b", "c", "d"];
const skills = new Map(
  CHAIN.map((id, place) => [
    id,
    {
      strandId: "s",
      grade: 3 + place,
      difficulty: place - 1,
      prerequisites: place === 0 ? [] : [CHAIN[place - 1] as string],
      contrasts: [],
      unlocks: 0,
      pool: [],
    },
  ]),
);
const state = (over: Partial<SkillState>): SkillState =>
  ({
    mastery: 0.99,
    prior: 0.3,
    mean: 3,
    spread: 0.3,
    stabilityDays: 60,
    memoryDifficulty: 4,
    lostDay: null,
    scoredAnswers: 8,
    unaidedAnswers: 8,
    itemIds: ["x", "y"],
    missesInRow: 0,
    masteredDay: 19_990,
    lastDay: 19_999,
    ...over,
  }) as SkillState;
const item = (skillId: string, right: boolean, n: number): SittingItem => ({
  id: `i${n}`,
  state: "done",
  skillId,
  itemId: `${skillId}/one`,
  versionId: `${skillId}/one@1`,
  seed: n,
  context: "garden",
  tries: 1,
  points: 1,
  earned: right ? 1 : 0,
  possible: 1,
  setAside: false,
});
const situation = (over: Partial<PartSituation> = {}): PartSituation => ({
  ...EMPTY_SITUATION,
  settings: { items: 6 },
  skillIds: CHAIN,
  skills,
  grade: 5,
  ...over,
});

describe("the depth at which a student stands in a strand", () => {
  const shown = (items: readonly SittingItem[]) => items.map(({ skillId }) => skillId);

  it("is the hardest skill whose prerequisites are likely there, further up the older the student", () => {
    const at = (grade: number) => CHAIN.indexOf(depthInStrand(situation({ grade }), []) ?? "");
    expect(at(3)).toBeLessThan(at(8));
    expect(at(3)).toBeGreaterThanOrEqual(0);
  });

  it("stays at a skill, and moves down after three misses in a row, to what lies under it", () => {
    const first = depthInStrand(situation({ grade: 8 }), []) as string;
    const two = [item(first, false, 1), item(first, false, 2)];
    expect(depthInStrand(situation({ grade: 8, items: two }), shown(two))).toBe(first);
    const three = [...two, item(first, false, 3)];
    const down = depthInStrand(situation({ grade: 8, items: three }), shown(three)) as string;
    expect(CHAIN.indexOf(down)).toBe(CHAIN.indexOf(first) - 1);
    // A right answer between starts the count anew.
    const broken = [item(first, false, 1), item(first, false, 2), item(first, true, 3), item(first, false, 4)];
    expect(depthInStrand(situation({ grade: 8, items: broken }), shown(broken))).toBe(first);
  });

  it("goes on with what is left when everything rests", () => {
    const items = CHAIN.flatMap((id, place) => [1, 2, 3].map((n) => item(id, false, 10 * place + n)));
    expect(depthInStrand(situation({ items }), shown(items))).toBe("a");
  });

  it("passes mastered skills over, and is nowhere when all are mastered", () => {
    const some = new Map([["a", state({})]]);
    expect(depthInStrand(situation({ grade: 3, states: some }), [])).toBe("b");
    const all = new Map(CHAIN.map((id) => [id, state({})]));
    expect(depthInStrand(situation({ states: all }), [])).toBe(null);
    expect(conductorOf("depth").end(situation({ states: all }))).toEqual({
      progress: 1,
      done: true,
      reason: "mastered",
    });
  });

  it("ends with its items or its minutes", () => {
    const { end } = conductorOf("depth");
    const items = [item("a", true, 1), item("a", true, 2), item("a", false, 3)];
    expect(end(situation({ items }))).toEqual({ progress: 0.5, done: false, reason: null });
    const timed = { items, settings: { items: 6, minutes: 10 }, activeMilliseconds: 600_000 };
    expect(end(situation(timed))).toEqual({ progress: 1, done: true, reason: "amount" });
  });
});

it("lessons are done when each was read, and nothing is asked", () => {
  const { end, next, mark } = conductorOf("lesson");
  expect(next(situation(), [], () => 0.5)).toBe(null);
  expect(end(situation({ skillIds: ["a", "b"] }))).toMatchObject({ progress: 0, done: false });
  expect(end(situation({ skillIds: ["a", "b"], state: { read: ["b", "z"] } }))).toMatchObject({
    progress: 0.5,
    done: false,
  });
  expect(end(situation({ skillIds: ["a", "b"], state: { read: ["b", "a"] } }))).toEqual({
    progress: 1,
    done: true,
    reason: "read",
  });
  expect(mark(situation())).toBe(null);
});
