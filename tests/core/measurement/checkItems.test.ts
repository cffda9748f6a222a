import { expect, it } from "vitest";
import { MASTERY_BOUNDARY } from "@/core/mastery/masteryBoundary";
import { type CheckedItem, checkItems } from "@/core/measurement/checkItems";
import type { ItemParameters } from "@/core/measurement/item";
import { linkByMeanMean } from "@/core/measurement/linkScales";
import { seededRandom } from "@/core/numeric/seededRandom";

/** Answers as items with these true parameters would get them, from abilities around the skill's boundary. */
function answersOf(
  truth: readonly ItemParameters[],
  runs: number,
  turn: (run: number) => ItemParameters[] = () => [...truth],
) {
  const random = seededRandom("check items");
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return Array.from({ length: runs }, (_, run) => {
    const theta = 0.5 + normal();
    return turn(run).map(({ a, b, c }) => (random() < c + (1 - c) / (1 + Math.exp(-a * (theta - b))) ? 1 : 0) as 0 | 1);
  });
}
const item = (b: number): ItemParameters => ({ a: 1.4, b, c: 0 });
const none = (runs: number) => Array<boolean>(runs).fill(false);
const at = (items: readonly CheckedItem[], j: number) => items[j] as CheckedItem;

it("finds where items lie to one another, on the scale of what is in force, and the one that is held to be easier than it is", () => {
  const truth = [item(-0.6), item(0), item(0.5), item(1.4)];
  // The last is held to be as easy as the first; as a whole the four lie where their rules say.
  const inForce = [item(-0.2), item(0.4), item(0.9), item(0.2)];
  const scores = answersOf(truth, 2000);
  const found = checkItems({ scores, inForce, difficulty: 0, later: none(2000), focal: none(2000) }, "rasch");
  expect(found.refusal).toBeNull();
  const b = found.items.map(({ estimate }) => estimate?.b ?? Number.NaN);
  for (const [j, one] of truth.entries()) expect(Math.abs((b[j] ?? 9) - one.b)).toBeLessThan(0.15);
  expect((b[0] ?? 0) + (b[1] ?? 0) + (b[2] ?? 0) + (b[3] ?? 0)).toBeCloseTo(1.3, 6);
  expect(found.items.map(({ apart }) => apart)).toEqual([true, true, true, true]);
  const last = at(found.items, 3);
  expect(last.answers).toBe(2000);
  expect(last.right).toBe(scores.filter((row) => row[3] === 1).length);
  // Just mastered means 0.75 above the skill: 1 / (1 + e^(−1.4 · 0.55)).
  expect(last.atMastery?.inForce).toBeCloseTo(1 / (1 + Math.exp(-1.4 * (MASTERY_BOUNDARY - 0.2))), 9);
  expect(last.atMastery?.estimated).toBeLessThan(0.4);
});

it("lets items stand that are as they are held to be", () => {
  const truth = [item(-0.6), item(0), item(0.6)];
  const { items } = checkItems(
    { scores: answersOf(truth, 1500), inForce: truth, difficulty: 0, later: none(1500), focal: none(1500) },
    "rasch",
  );
  expect(items.map(({ apart }) => apart)).toEqual([false, false, false]);
});

it("judges no item under a hundred answers, and none alone, and says why", () => {
  const scores = answersOf([item(0), item(0.5)], 99);
  const inForce = [item(0), item(0.5)];
  const few = checkItems({ scores, inForce, difficulty: 0, later: none(99), focal: none(99) }, "rasch");
  expect(few.refusal).toEqual({ noEstimate: "too-few-answers" });
  expect(few.items.map(({ answers, estimate }) => [answers, estimate])).toEqual([
    [99, null],
    [99, null],
  ]);
  const alone = answersOf([item(0), item(0.5)], 200).map(([one], run) => [one ?? 0, run < 60 ? (1 as const) : null]);
  const lone = checkItems({ scores: alone, inForce, difficulty: 0, later: none(200), focal: none(200) }, "rasch");
  expect(lone.refusal).toEqual({ noEstimate: "too-few-items" });
  expect(lone.items.map(({ answers }) => answers)).toEqual([200, 60]);
  const all = scores.map(() => [1, 1] as const);
  expect(
    checkItems({ scores: [...all, ...all], inForce, difficulty: 0, later: none(198), focal: none(198) }, "rasch")
      .refusal,
  ).toEqual({
    noEstimate: "too-few-items",
  });
});

it("sees an item that has become easier, and one that works otherwise for some, with the size classes", () => {
  const truth = [item(-0.4), item(0.1), item(0.6), item(0.2)];
  const runs = 1600;
  const later = Array.from({ length: runs }, (_, run) => run >= runs / 2);
  // Known answers went round: in the later half the third is 1.5 logits easier.
  const drifted = (run: number) => truth.map((one, j) => (later[run] && j === 2 ? item(one.b - 1.5) : one));
  const scores = answersOf(truth, runs, drifted);
  const even = Array.from({ length: runs }, (_, run) => run % 2 === 0);
  const found = checkItems({ scores, inForce: truth, difficulty: 0, later, focal: even }, "rasch");
  expect(at(found.items, 2).drift).toMatchObject({ size: "C" });
  // Positive: easier for the later ones.
  expect(at(found.items, 2).drift?.delta).toBeGreaterThan(1.5);
  expect(found.items.map(({ difference }) => difference?.size)).toEqual(["A", "A", "A", "A"]);
});

it("links by means whatever the spread, and refuses one anchor", () => {
  const fresh = [item(0), item(0)].map((one) => ({ ...one, a: 2.8 }));
  expect(linkByMeanMean(fresh, [item(1), item(1)])).toEqual({ slope: 2, shift: 1 });
  expect(linkByMeanMean([item(0)], [item(0)])).toEqual({ noEstimate: "too-few-anchors" });
  expect(() => linkByMeanMean([item(0)], [])).toThrow("Anchors come in pairs.");
});

it("refuses runs of another width", () => {
  expect(() =>
    checkItems({ scores: [[1]], inForce: [item(0), item(1)], difficulty: 0, later: [false], focal: [false] }, "rasch"),
  ).toThrow("Every run needs");
});
