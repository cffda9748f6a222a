import { demandThat } from "../model/fail";
import type { Score } from "../model/score";
import { demandItem, type ItemParameters } from "./item";

export interface GivenAnswer {
  readonly item: ItemParameters;
  readonly score: 0 | 1;
}

/**
 * The answers that were given, with their items. Throws "bad-argument" for unequal lengths, scores other than 0, 1, null, or bad items.
 * @example givenAnswers([{ a: 1, b: 0, c: 0 }], [null]).length // 0
 */
export function givenAnswers(items: readonly ItemParameters[], scores: readonly Score[]): GivenAnswer[] {
  demandThat(items.length === scores.length, "There must be one score for each item.", {
    items: items.length,
    scores: scores.length,
  });
  const given: GivenAnswer[] = [];
  for (let place = 0; place < items.length; place++) {
    const [item, score] = [items[place], scores[place]];
    demandThat(score === 0 || score === 1 || score === null, "A score is 1, 0 or null.", { place, score });
    if (item === undefined) continue;
    demandItem(item);
    if (score !== null) given.push({ item, score });
  }
  return given;
}
