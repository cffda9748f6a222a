/** Two items that are not given together, or that were let together again. */
export interface ItemPair {
  readonly itemId: string;
  readonly enemyId: string;
  readonly apart: boolean;
}

/**
 * The places, from 1, of items that stand together though one gives the other away; the earlier place first.
 * @example clashesAmong(["a", "b", "c"], [{ itemId: "c", enemyId: "a", apart: true }]) // [[1, 3]]
 */
export function clashesAmong(itemIds: readonly string[], pairs: readonly ItemPair[]): (readonly [number, number])[] {
  return pairs.flatMap(({ itemId, enemyId, apart }): (readonly [number, number])[] => {
    const [low = -1, high = -1] = [itemIds.indexOf(itemId), itemIds.indexOf(enemyId)].sort((x, y) => x - y);
    return apart && low >= 0 && high > low ? [[low + 1, high + 1]] : [];
  });
}
