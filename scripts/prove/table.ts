/** One line of the table: what was simulated, the figure, and what it is to be held against. */
export interface Figure {
  readonly what: string;
  readonly value: string;
  readonly note: string;
}

export const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;
/** A share with the Monte Carlo error of its estimate (one standard error). */
export const withError = ({ rate, of }: { readonly rate: number; readonly of: number }): string =>
  `${(rate * 100).toFixed(1)} ± ${(100 * Math.sqrt((rate * (1 - rate)) / Math.max(1, of))).toFixed(1)} %`;
export const decimals = (value: number, places = 3): string => value.toFixed(places);

export function print(title: string, figures: readonly Figure[]): void {
  console.log(`\n${title}`);
  for (const { what, value, note } of figures) console.log(`  ${what.padEnd(54)} ${value.padStart(11)}   ${note}`);
}
