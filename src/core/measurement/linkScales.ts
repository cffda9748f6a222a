import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { mean } from "../numeric/mean";
import { sampleVariance } from "../numeric/sampleVariance";
import { expectedScore } from "./expectedScore";
import type { ItemParameters } from "./item";

/** Carries abilities of a new scale onto an old one: old = slope · new + shift. */
export interface ScaleLink {
  readonly slope: number;
  readonly shift: number;
}

/** Abilities at which the anchor's curves are compared, in standard deviations of the new group. */
const POINTS = Array.from({ length: 41 }, (_, n) => -4 + n * 0.2);
const MOST_STEPS = 200;
const SETTLED = 1e-10;

/**
 * Links two calibrations by their common items: mean and spread of the difficulties (mean–sigma; Marco 1977). No estimate under two
 * anchors or where they are all of one difficulty.
 * @throws CoreError "bad-argument", where this does not hold: Anchors come in pairs.
 * @example linkByMeanSigma([{ a: 1, b: 0, c: 0 }, { a: 1, b: 1, c: 0 }], [{ a: 0.5, b: 1, c: 0 }, { a: 0.5, b: 3, c: 0 }]) // { slope: 2, shift: 1 }
 */
export function linkByMeanSigma(
  fresh: readonly ItemParameters[],
  old: readonly ItemParameters[],
): ScaleLink | NoEstimate<"too-few-anchors"> {
  demandThat(fresh.length === old.length, "Anchors come in pairs.", { fresh: fresh.length, old: old.length });
  const [own, wanted] = [fresh.map(({ b }) => b), old.map(({ b }) => b)];
  if (fresh.length < 2 || sampleVariance(own) === 0) return noEstimate("too-few-anchors");
  const slope = Math.sqrt(sampleVariance(wanted) / sampleVariance(own));
  return { slope, shift: mean(wanted) - slope * mean(own) };
}

/**
 * Links two calibrations by the expected scores of their common items (Stocking & Lord 1983): slope and shift that bring the anchor's
 * curve of the new one nearest the old one's, by Gauss–Newton from mean–sigma.
 * @example linkByCurves([{ a: 1, b: 0, c: 0 }, { a: 1.2, b: 1, c: 0 }], [{ a: 1, b: 0, c: 0 }, { a: 1.2, b: 1, c: 0 }]) // { slope: 1, shift: 0 }
 */
export function linkByCurves(
  fresh: readonly ItemParameters[],
  old: readonly ItemParameters[],
): ScaleLink | NoEstimate<"too-few-anchors"> {
  const start = linkByMeanSigma(fresh, old);
  if ("noEstimate" in start) return start;
  const off = (link: ScaleLink) => {
    const carried = fresh.map((item) => carriedOver(item, link));
    return POINTS.map((theta) => expectedScore(theta, carried) - expectedScore(theta, old));
  };
  let link = start;
  for (let step = 0; step < MOST_STEPS; step++) {
    const now = off(link);
    const by = 1e-5;
    const [bySlope, byShift] = [off({ ...link, slope: link.slope + by }), off({ ...link, shift: link.shift + by })].map(
      (moved) => moved.map((value, place) => (value - (now[place] ?? 0)) / by),
    ) as [number[], number[]];
    const dot = (one: readonly number[], other: readonly number[]) =>
      one.reduce((sum, value, place) => sum + value * (other[place] ?? 0), 0);
    const [ss, st, tt] = [dot(bySlope, bySlope), dot(bySlope, byShift), dot(byShift, byShift)];
    const [s, t] = [dot(bySlope, now), dot(byShift, now)];
    const determinant = ss * tt - st * st;
    if (determinant === 0) break;
    const move = { slope: (tt * s - st * t) / determinant, shift: (ss * t - st * s) / determinant };
    link = { slope: link.slope - move.slope, shift: link.shift - move.shift };
    if (Math.abs(move.slope) + Math.abs(move.shift) < SETTLED) break;
  }
  return link;
}

/**
 * An item of the new calibration on the old scale.
 * @example carriedOver({ a: 1, b: 1, c: 0.2 }, { slope: 2, shift: 1 }) // { a: 0.5, b: 3, c: 0.2 }
 */
export const carriedOver = ({ a, b, c }: ItemParameters, { slope, shift }: ScaleLink): ItemParameters => ({
  a: a / slope,
  b: slope * b + shift,
  c,
});

/**
 * Links two calibrations by the means of their common items' slopes and difficulties (mean–mean; Loyd & Hoover 1980): it holds where the
 * difficulties lie close together too. No estimate under two anchors.
 * @throws CoreError "bad-argument", where this does not hold: Anchors come in pairs.
 * @example linkByMeanMean([{ a: 2, b: 0, c: 0 }, { a: 2, b: 1, c: 0 }], [{ a: 1, b: 1, c: 0 }, { a: 1, b: 3, c: 0 }]) // { slope: 2, shift: 1 }
 */
export function linkByMeanMean(
  fresh: readonly ItemParameters[],
  old: readonly ItemParameters[],
): ScaleLink | NoEstimate<"too-few-anchors"> {
  demandThat(fresh.length === old.length, "Anchors come in pairs.", { fresh: fresh.length, old: old.length });
  if (fresh.length < 2) return noEstimate("too-few-anchors");
  const of = (items: readonly ItemParameters[], what: "a" | "b") => mean(items.map((item) => item[what]));
  const slope = of(fresh, "a") / of(old, "a");
  return { slope, shift: of(old, "b") - slope * of(fresh, "b") };
}
