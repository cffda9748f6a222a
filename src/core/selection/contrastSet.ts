import { demandThat } from "../model/fail";
import { arrangeApart } from "../numeric/arrangeApart";

/**
 * An interleaved set of `items` places over a skill and its confusable partners: the skill gets half of them (rounded up),
 * the partners share the rest evenly, and no two of a kind follow each other where it can be helped (Rohrer & Taylor 2007).
 * Gives the skill of each place. Without partners all places are the skill's.
 * @throws CoreError "bad-argument", where this does not hold: A set has a whole number of items.
 * @example contrastSet("area", ["perimeter"], 4) // ["area", "perimeter", "area", "perimeter"]
 */
export function contrastSet(skillId: string, partnerIds: readonly string[], items: number): string[] {
  demandThat(Number.isInteger(items) && items >= 0, "A set has a whole number of items.", { items });
  const own = partnerIds.length === 0 ? items : Math.ceil(items / 2);
  const partners = Array.from({ length: items - own }, (_, place) => partnerIds[place % partnerIds.length] as string);
  return arrangeApart([...new Array<string>(own).fill(skillId), ...partners], (id) => id);
}
