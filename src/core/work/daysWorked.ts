import { mondayOf } from "../calendar/mondayOf";

/** A day of a calendar of work. */
export interface WorkedDay {
  /** Day number. */
  readonly day: number;
  readonly milliseconds: number;
  /** Pieces of work that were finished on it. */
  readonly pieces: number;
}

/**
 * Weeks from Monday to Sunday, the latest last, each with its seven days; days without work have noughts.
 * @param today day number
 * @example daysWorked([], [], 20780, 1)[0]?.length // 7
 */
export function daysWorked(
  spent: readonly { readonly day: number; readonly milliseconds: number }[],
  finishedDays: readonly number[],
  today: number,
  weeks: number,
): WorkedDay[][] {
  const first = mondayOf(today) - 7 * (weeks - 1);
  return Array.from({ length: weeks }, (_, week) =>
    Array.from({ length: 7 }, (_, place) => {
      const day = first + 7 * week + place;
      const own = spent.filter((one) => one.day === day);
      return {
        day,
        milliseconds: own.reduce((sum, one) => sum + one.milliseconds, 0),
        pieces: finishedDays.filter((finished) => finished === day).length,
      };
    }),
  );
}

/**
 * Whether something was done on a day.
 * @example wasWorked({ day: 1, milliseconds: 0, pieces: 1 }) // true
 */
export const wasWorked = ({ milliseconds, pieces }: WorkedDay): boolean => milliseconds > 0 || pieces > 0;
