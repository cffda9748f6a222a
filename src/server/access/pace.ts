import "server-only";

const SECOND = 1_000;
const MINUTE = 60 * SECOND;

/**
 * How wrong tries at a door are slowed down: so many are free, each further one waits twice as long as the one before, and
 * the wait never grows beyond the time in which one wrong try is forgotten. Over a long time that is one try in each such time.
 */
export interface Pace {
  readonly free: number;
  /** Milliseconds of the first wait. */
  readonly first: number;
  /** Milliseconds in which one wrong try is forgotten; the longest wait, too. */
  readonly leak: number;
}

/**
 * A door has two locks for each kind of device. Strangers are counted by network address and person, and by person from
 * everywhere; devices on which the person signed in before by device and person, and by person from all of them. So nobody
 * who guesses from elsewhere makes the own device wait. Sum of the two sums over any 24 hours: docs/decisions/0013.
 */
export const PACES = {
  /** One device that is known for the person. */
  device: { free: 4, first: 15 * SECOND, leak: 240 * MINUTE },
  /** All such devices of one person. */
  devices: { free: 12, first: 15 * SECOND, leak: 60 * MINUTE },
  /** Unknown devices of one network address at one person. */
  address: { free: 4, first: 15 * SECOND, leak: 120 * MINUTE },
  /** Unknown devices from everywhere at one person. */
  strangers: { free: 8, first: 15 * SECOND, leak: 40 * MINUTE },
  /** Codes of the second step, behind the right password. */
  "second-step": { free: 4, first: 15 * SECOND, leak: 30 * MINUTE },
  /** The present password, asked for on the account page. */
  account: { free: 4, first: 15 * SECOND, leak: 30 * MINUTE },
  /** Reset links asked for at one address; each one counts. */
  reset: { free: 3, first: 20 * MINUTE, leak: 20 * MINUTE },
} satisfies Record<string, Pace>;

export type DoorKind = keyof typeof PACES;

/** The wrong tries at a door, as they are kept. */
export interface Tries {
  readonly count: number;
  /** When the last one was. */
  readonly lastAt: number;
}

/** How many of the wrong tries still count at an instant. */
export const stillCounted = ({ count, lastAt }: Tries, { leak }: Pace, now: number): number =>
  Math.max(0, count - Math.floor(Math.max(0, now - lastAt) / leak));

/** Milliseconds to wait after so many wrong tries. */
export const waitAfter = (count: number, { free, first, leak }: Pace): number =>
  count < free ? 0 : Math.min(leak, first * 2 ** Math.min(40, count - free));
