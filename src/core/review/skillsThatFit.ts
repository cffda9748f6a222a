import type { MinutesNeeded } from "./minutesNeeded";

/**
 * How many skills like those in review the minutes given would keep; null where none needs any.
 * @example skillsThatFit(40, { needed: 80, given: 50, share: 0.625 }) // 25
 */
export const skillsThatFit = (skills: number, { share }: MinutesNeeded): number | null =>
  share === null ? null : Math.floor(skills * share);
