import type { OwnGain, WorkView } from "../types";

const signed = (points: number): string => (points > 0 ? `+${points}` : points < 0 ? `−${-points}` : "0");

/** One student's gain: "+24 points", or that it may be chance. */
export const gainWords = ({ points, change }: OwnGain): string =>
  `${signed(points)} points${change === "within-error" ? ", within the error" : ""}`;

/** What came of a test before and one after for the class, and of whom one of the two is missing. */
export function GainLine({ gain }: Pick<WorkView, "gain">) {
  if (gain === null) return null;
  const { both, before, after, points, interval, onlyBefore, onlyAfter } = gain;
  const missing = [
    ...(onlyBefore > 0 ? [`${onlyBefore} have only the first test`] : []),
    ...(onlyAfter > 0 ? [`${onlyAfter} have only the second`] : []),
  ].join(", ");
  return (
    <p className="mb-3 text-[15px]">
      {points === null ? (
        "Nobody has both tests yet."
      ) : (
        <>
          <b>
            {both} {both === 1 ? "has" : "have"} both: {before} % before, {after} % after, a gain of {signed(points)}{" "}
            points
          </b>
          {interval === null ? "" : ` (between ${signed(interval.low)} and ${signed(interval.high)}, 19 times in 20)`}.
        </>
      )}{" "}
      {missing === "" ? "" : `${missing}, and ${onlyBefore + onlyAfter === 1 ? "is" : "are"} left out of it.`}
    </p>
  );
}
