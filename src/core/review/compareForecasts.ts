import { seededRandom } from "../numeric/seededRandom";
import { type ForecastWeek, forecastClass } from "./forecastReview";
import type { PastReview } from "./pastReviews";
import type { ReviewSkill } from "./reviewSkill";
import type { ReviewOutlook } from "./simulateReview";
import { memoriesOfClass } from "./studentMemory";

/** A student whose review is forecast, with nothing that cannot be sent to a thread. */
export interface ComparedStudent {
  readonly skills: readonly ReviewSkill[];
  readonly reviews: readonly PastReview[];
  readonly outlook: Omit<ReviewOutlook, "memory">;
}

export interface ForecastQuestion {
  readonly students: readonly ComparedStudent[];
  /** Skills that would rest, and skills that would be taken out. */
  readonly rest: readonly string[];
  readonly drop: readonly string[];
  readonly runs: number;
}

export interface ForecastAnswer {
  /** If all goes on as it is; null with nothing in review. */
  readonly before: readonly ForecastWeek[] | null;
  /** With the change; over the skills that are left, those that rest too. Null when none is. */
  readonly after: readonly ForecastWeek[] | null;
}

/**
 * What a change of review would come to: the same simulated students twice, without and with it.
 * @example compareForecasts({ students: [], rest: [], drop: [], runs: 1 }).before // null
 */
export function compareForecasts({ students, rest, drop, runs }: ForecastQuestion): ForecastAnswer {
  const memories = memoriesOfClass(students.map(({ reviews }) => reviews));
  const remembering = students.flatMap(({ skills, outlook }, place) => {
    const memory = memories[place];
    return memory ? [{ skills, outlook: { ...outlook, memory } }] : [];
  });
  const randomOf = (run: number, student: number) => seededRandom(`review ${run} ${student}`);
  const changed = remembering.map(({ skills, outlook }) => ({
    skills,
    outlook: {
      ...outlook,
      resting: [...(outlook.resting ?? []), ...rest],
      dropped: [...(outlook.dropped ?? []), ...drop],
    },
  }));
  return {
    before: forecastClass(remembering, randomOf, runs),
    after: rest.length + drop.length === 0 ? null : forecastClass(changed, randomOf, runs),
  };
}
