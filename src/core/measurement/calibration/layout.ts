/** Where the parameters that are estimated stand in one row of numbers. */
export interface Layout {
  readonly size: number;
  /** Place of an item's parameter; -1 where it is not estimated. */
  readonly placeOf: (item: number, parameter: number) => number;
  /** Place of the population's mean, followed by the logarithm of its spread; -1 where it is given. */
  readonly population: number;
}

/**
 * One place for each open item's parameters, the first shared by all where they have a common slope; then the population's two.
 * @example layoutOf([2, 2], () => true, true, false).size // 3
 */
export function layoutOf(
  widths: readonly number[],
  isOpen: (item: number) => boolean,
  commonSlope: boolean,
  freePopulation: boolean,
): Layout {
  let size = commonSlope ? 1 : 0;
  const places = widths.map((width, item) => {
    if (!isOpen(item)) return Array.from({ length: width }, () => -1);
    return Array.from({ length: width }, (_, parameter) => (commonSlope && parameter === 0 ? 0 : size++));
  });
  const population = freePopulation ? size : -1;
  return {
    size: freePopulation ? size + 2 : size,
    placeOf: (item, parameter) => places[item]?.[parameter] ?? -1,
    population,
  };
}
