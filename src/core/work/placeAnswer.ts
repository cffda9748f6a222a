/** How long an answer may be under way on a slow network and still count as handed in at the moment of sending. */
export const IN_FLIGHT_MILLISECONDS = 10_000;

/** What is known of the moment of an answer. All instants in milliseconds since 1970 UTC, by the server's clock. */
export interface AnswerTiming {
  readonly now: number;
  /** How long ago it was given, as the device says; anything that is no length of time counts as "just now". */
  readonly agoMilliseconds: number;
  /** When the sitting's last answer was given, or the sitting began. */
  readonly notBefore: number;
  /** Null for work without a due time. */
  readonly dueAt: number | null;
  /** Whether it waited on the device because the server could not be reached. */
  readonly keptOnDevice: boolean;
  /** How long after the due time the school still believes that a kept answer was given before it. */
  readonly graceMilliseconds: number;
}

/**
 * Where an answer stands in time. "late-claim": it came after the due time and is believed to be given before it;
 * "too-late": it does not count.
 */
export interface AnswerPlace {
  readonly givenAt: number;
  readonly standing: "in-time" | "late-claim" | "too-late";
}

/**
 * Places an answer by the server's clock: never before the sitting's last answer and never after now, whatever the device
 * says. After the due time only an answer kept on the device is believed, and only within the school's grace.
 *
 * @example placeAnswer({ now: 100, agoMilliseconds: 30, notBefore: 80, dueAt: 200, keptOnDevice: false, graceMilliseconds: 0 }) // { givenAt: 80, standing: "in-time" }
 */
export function placeAnswer(timing: AnswerTiming): AnswerPlace {
  const { now, agoMilliseconds, notBefore, dueAt, keptOnDevice, graceMilliseconds } = timing;
  const ago = Number.isFinite(agoMilliseconds) ? Math.max(0, agoMilliseconds) : 0;
  const givenAt = Math.round(Math.min(now, Math.max(notBefore, now - ago)));
  if (dueAt === null || now <= dueAt) return { givenAt, standing: "in-time" };
  if (keptOnDevice && givenAt <= dueAt && now <= dueAt + graceMilliseconds) return { givenAt, standing: "late-claim" };
  return { givenAt, standing: !keptOnDevice && now <= dueAt + IN_FLIGHT_MILLISECONDS ? "in-time" : "too-late" };
}
