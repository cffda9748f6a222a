/**
 * The Monday of a day's week, both as day numbers since 1970-01-01, a Thursday.
 *
 * @example mondayOf(20780) // 20780
 */
export function mondayOf(day: number): number {
  return day - ((((day + 3) % 7) + 7) % 7);
}
