/** A meeting takes this long, until the student's own answers say otherwise; they weigh like so many answers. */
const USUAL_MINUTES = 1;
const USUAL_WEIGHS = 3;
/** What nobody takes for one item: less is a slip of the clock, more somebody who went away. */
const BOUNDS = { least: 0.25, most: 5 } as const;
const MILLISECONDS_PER_MINUTE = 60_000;

/**
 * Minutes that meeting a skill once takes a student, by the time that their answers took so far.
 * @example minutesOfMeeting({ answered: 3, milliseconds: 360_000 }) // 1.5
 */
export function minutesOfMeeting({
  answered,
  milliseconds,
}: {
  readonly answered: number;
  readonly milliseconds: number;
}): number {
  const minutes = (milliseconds / MILLISECONDS_PER_MINUTE + USUAL_WEIGHS * USUAL_MINUTES) / (answered + USUAL_WEIGHS);
  return Math.min(BOUNDS.most, Math.max(BOUNDS.least, minutes));
}
