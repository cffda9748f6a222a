import { demandThat } from "../model/fail";

/** A named band of a scale that begins at `from` and ends where the next begins. */
export interface Band {
  readonly name: string;
  readonly from: number;
}

/**
 * The band a value lies in, such as a tier by percentile or a reading level by score; null below the first band and when a
 * school has set none. There is no default set of bands. Bands must rise. A value just under a cut stays under it.
 * @throws CoreError "bad-argument", where this does not hold: A band needs a finite value. Bands must rise.
 * @example bandOf(55, [{ name: "low", from: 0 }, { name: "high", from: 50 }])?.name // "high"
 */
export function bandOf(value: number, bands: readonly Band[]): Band | null {
  demandThat(Number.isFinite(value), "A band needs a finite value.", { value });
  demandThat(
    bands.every((band, place) => place === 0 || band.from > (bands[place - 1]?.from ?? 0)),
    "Bands must rise.",
  );
  return bands.filter((band) => value >= band.from).at(-1) ?? null;
}
