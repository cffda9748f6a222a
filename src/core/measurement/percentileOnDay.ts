import { demandThat } from "../model/fail";
import { type NormPoint, percentileInNorms } from "./percentileInNorms";

/** A norm table of one grade and season, and the day that it is for: the middle of its testing window, as a day number. */
export interface SeasonNorms {
  readonly day: number;
  readonly norms: readonly NormPoint[];
}

/** A percentile rank with the ranks a standard error of the score to each side; `beyond` where a table ends. */
export interface RankBand {
  readonly percentile: number;
  readonly low: number;
  readonly high: number;
  readonly beyond: "below" | "above" | null;
}

/**
 * Percentile rank of a score on a day between two testing windows: ranks in both tables, weighed by how near their days lie. Before the
 * first and after the last window that one's table holds. The band is that of the score's standard error of measurement.
 * @throws CoreError "bad-argument", where this does not hold: Seasons come in rising days, and an error is 0 or more.
 * @example percentileOnDay(15, 0, 50, [{ day: 0, norms: [{ score: 10, percentile: 20 }, { score: 20, percentile: 40 }] }, { day: 100, norms: [{ score: 10, percentile: 10 }, { score: 20, percentile: 20 }] }]).percentile // 22.5
 */
export function percentileOnDay(score: number, sem: number, day: number, seasons: readonly SeasonNorms[]): RankBand {
  demandThat(
    sem >= 0 &&
      seasons.length > 0 &&
      seasons.every(({ day: own }, place) => own > (seasons[place - 1]?.day ?? -Infinity)),
    "Seasons come in rising days, and an error is 0 or more.",
    { sem, seasons: seasons.length },
  );
  const after = seasons.find((season) => season.day >= day) ?? (seasons.at(-1) as SeasonNorms);
  const before = seasons.findLast((season) => season.day <= day) ?? after;
  const share = after.day === before.day ? 0 : (day - before.day) / (after.day - before.day);
  const rank = (at: number) =>
    (1 - share) * percentileInNorms(at, before.norms).percentile +
    share * percentileInNorms(at, after.norms).percentile;
  return {
    percentile: rank(score),
    low: rank(score - sem),
    high: rank(score + sem),
    beyond: percentileInNorms(score, before.norms).beyond ?? percentileInNorms(score, after.norms).beyond,
  };
}
