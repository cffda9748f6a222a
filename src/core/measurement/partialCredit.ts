import { demandThat } from "../model/fail";
import type { Ability } from "./ability";
import type { AbilityPrior } from "./eap";
import { posteriorMoments } from "./posteriorMoments";

/**
 * An item that earns 0 to m points: one discrimination (logits⁻¹), and for each further point the ability at which it is as likely as the
 * one before (step difficulties, logits, in any order).
 */
export interface PartialCreditItem {
  readonly a: number;
  readonly steps: readonly number[];
}

/**
 * Chances of 0, 1, …, m points under the generalized partial credit model (Muraki 1992): proportional to exp Σ a (θ − step), up to the
 * points earned. With one step it is the two-parameter model.
 * @throws CoreError "bad-argument", where this does not hold: An item needs a > 0, a step, and finite numbers.
 * @example pointChances(0, { a: 1, steps: [0] }) // [0.5, 0.5]
 */
export function pointChances(theta: number, { a, steps }: PartialCreditItem): number[] {
  demandThat(
    a > 0 && steps.length > 0 && [theta, a, ...steps].every(Number.isFinite),
    "An item needs a > 0, a step, and finite numbers.",
    { theta, a },
  );
  const heights = [0];
  for (const step of steps) heights.push((heights.at(-1) ?? 0) + a * (theta - step));
  // Taken against the largest, so that nothing overflows.
  const largest = Math.max(...heights);
  const masses = heights.map((height) => Math.exp(height - largest));
  const total = masses.reduce((sum, mass) => sum + mass, 0);
  return masses.map((mass) => mass / total);
}

/**
 * Points expected at an ability, 0 to m.
 * @example expectedPoints(0, { a: 1, steps: [-1, 1] }) // 1
 */
export const expectedPoints = (theta: number, item: PartialCreditItem): number =>
  pointChances(theta, item).reduce((sum, chance, points) => sum + points * chance, 0);

/**
 * Information at an ability: a² times the variance of the points (Muraki 1993).
 * @example pointInformation(0, { a: 2, steps: [0] }) // 1
 */
export function pointInformation(theta: number, item: PartialCreditItem): number {
  const chances = pointChances(theta, item);
  const mean = expectedPoints(theta, item);
  return item.a ** 2 * chances.reduce((sum, chance, points) => sum + chance * (points - mean) ** 2, 0);
}

/**
 * Expected a-posteriori ability from items of several points, right-wrong ones among them as items of one step; null = not given.
 * @throws CoreError "bad-argument", where this does not hold: Points are whole numbers from 0 to those of the item.
 * @example abilityFromPoints([{ a: 1, steps: [0] }], [1], { mean: 0, sd: 1 }).theta.toFixed(2) // "0.41"
 */
export function abilityFromPoints(
  items: readonly PartialCreditItem[],
  points: readonly (number | null)[],
  { mean, sd }: Pick<AbilityPrior, "mean" | "sd">,
): Ability {
  const given = items.flatMap((item, place) => {
    const earned = points[place];
    return earned === null || earned === undefined ? [] : [{ item, earned }];
  });
  demandThat(
    sd > 0 &&
      points.length === items.length &&
      given.every(({ item, earned }) => Number.isInteger(earned) && earned >= 0 && earned <= item.steps.length),
    "Points are whole numbers from 0 to those of the item.",
    { points: [...points] },
  );
  const sharpest = given.reduce((most, { item }) => Math.max(most, item.a), 0) * sd;
  const { centre, spread } = posteriorMoments(
    (z) => given.reduce((sum, { item, earned }) => sum + Math.log(pointChances(mean + sd * z, item)[earned] ?? 0), 0),
    { sharpest },
  );
  return { theta: mean + sd * centre, se: sd * spread, n: given.length };
}
