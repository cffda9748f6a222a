/** A predicted chance and what happened. */
export interface Prediction {
  readonly chance: number;
  readonly right: boolean;
}

/** Chance that a right answer was predicted higher than a wrong one (Hanley and McNeil 1982), by ranks. */
export function areaUnderCurve(rows: readonly Prediction[]): number {
  const sorted = [...rows].sort((x, y) => x.chance - y.chance);
  let rankSum = 0;
  for (let from = 0; from < sorted.length; ) {
    let to = from;
    while (to < sorted.length && sorted[to]?.chance === sorted[from]?.chance) to++;
    const rank = (from + 1 + to) / 2;
    for (let at = from; at < to; at++) if (sorted[at]?.right) rankSum += rank;
    from = to;
  }
  const rights = rows.filter(({ right }) => right).length;
  return (rankSum - (rights * (rights + 1)) / 2) / (rights * (rows.length - rights));
}

/** Mean distance between predicted and observed shares in ten equal bins, weighted by their size. */
export function calibrationError(rows: readonly Prediction[]): number {
  let error = 0;
  for (let bin = 0; bin < 10; bin++) {
    const own = rows.filter(({ chance }) => Math.min(9, Math.floor(chance * 10)) === bin);
    if (own.length === 0) continue;
    const predicted = own.reduce((sum, { chance }) => sum + chance, 0) / own.length;
    const observed = own.filter(({ right }) => right).length / own.length;
    error += (own.length / rows.length) * Math.abs(predicted - observed);
  }
  return error;
}
