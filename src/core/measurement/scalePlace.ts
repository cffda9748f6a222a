import { demandThat } from "../model/fail";

/** A skill's place on the vertical scale, in logits. */
export interface PlacedSkill {
  readonly id: string;
  readonly difficulty: number;
}

/** About where an ability stands in a sequence of skills, and the skills within one standard error of it. */
export interface ScalePlace {
  readonly nearest: string;
  readonly from: string;
  readonly to: string;
}

/**
 * An ability told as a place in the year's sequence: the skill whose difficulty lies nearest, and the outermost skills
 * within theta +- se (the nearest alone when none lies within). Null without skills. Skills in any order.
 * @throws CoreError "bad-argument", where this does not hold: A place needs a finite theta and se >= 0.
 * @example scalePlace({ theta: 0, se: 0.3 }, [{ id: "a", difficulty: -2 }, { id: "b", difficulty: 2 }]) // { nearest: "a", from: "a", to: "a" }
 */
export function scalePlace(
  { theta, se }: { readonly theta: number; readonly se: number },
  skills: readonly PlacedSkill[],
): ScalePlace | null {
  demandThat(Number.isFinite(theta) && se >= 0, "A place needs a finite theta and se >= 0.", { theta, se });
  const rising = [...skills].sort((x, y) => x.difficulty - y.difficulty || (x.id < y.id ? -1 : 1));
  const nearest = rising.reduce<PlacedSkill | null>(
    (best, skill) =>
      best === null || Math.abs(skill.difficulty - theta) < Math.abs(best.difficulty - theta) ? skill : best,
    null,
  );
  if (!nearest) return null;
  const within = rising.filter(({ difficulty }) => Math.abs(difficulty - theta) <= se);
  return { nearest: nearest.id, from: (within[0] ?? nearest).id, to: (within.at(-1) ?? nearest).id };
}
