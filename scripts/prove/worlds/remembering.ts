/**
 * One who learns facts as memory does in the ACT-R theory: each meeting leaves a trace that decays with time, a fact comes to mind with a chance
 * and a speed that rise with the sum of its traces (Anderson & Schooler 1991; Pavlik & Anderson 2005), and time between sessions counts a
 * fortieth (Anderson, Fincham & Douglass 1999). A fact that does not come is worked out, slowly and not always right.
 */
export interface Rememberer {
  /** One meeting with a fact, by its name: how long it took without typing, and whether it was right. */
  meet(fact: string): { readonly seconds: number; readonly right: boolean };
  /** Chance that the fact would come right within the seconds, now. */
  chanceWithin(fact: string, seconds: number): number;
  /** Lets time pass until the next session. */
  sleep(days: number): void;
}

const DECAY = 0.5;
/** With these a new fact needs about five meetings to last until the next day. */
const THRESHOLD = -2.3;
const NOISE = 0.3;
const LATENCY = 0.2;
const BETWEEN_SESSIONS = 1 / 40;
const SECONDS_A_DAY = 86_400;
/** Beside what comes to mind: seeing, and beginning to type. */
const BASE_SECONDS = 0.5;
/** Seconds that somebody needs who works it out, at least, and how far they spread. */
const COUNTING = { least: 3.5, spread: 5, right: 0.8 } as const;

/** @param known facts that were met often before, with how many times */
export function rememberer(random: () => number, known: ReadonlyMap<string, number>): Rememberer {
  let now = 0;
  const traces = new Map<string, number[]>();
  for (const [fact, times] of known)
    traces.set(
      fact,
      Array.from({ length: times }, (_, n) => -3_600 * (n + 1)),
    );
  const activation = (fact: string) => {
    const own = traces.get(fact) ?? [];
    return own.length === 0 ? -9 : Math.log(own.reduce((sum, at) => sum + Math.max(1, now - at) ** -DECAY, 0));
  };
  const logistic = () => {
    const u = Math.min(0.9999, Math.max(0.0001, random()));
    return NOISE * Math.log(u / (1 - u));
  };
  return {
    meet(fact) {
      const noisy = activation(fact) + logistic();
      const comes = noisy > THRESHOLD;
      const seconds = comes ? BASE_SECONDS + LATENCY * Math.exp(-noisy) : COUNTING.least + COUNTING.spread * random();
      const right = comes || random() < COUNTING.right;
      now += seconds + 2;
      // Wrong or right, the answer was seen in the end.
      traces.set(fact, [...(traces.get(fact) ?? []), now]);
      return { seconds, right };
    },
    chanceWithin(fact, seconds) {
      // Comes to mind in time when the noisy activation is above what the seconds ask for, and above the threshold.
      const needed = seconds <= BASE_SECONDS ? Infinity : Math.log(LATENCY / (seconds - BASE_SECONDS));
      const least = Math.max(THRESHOLD, needed);
      return 1 / (1 + Math.exp(-(activation(fact) - least) / NOISE));
    },
    sleep(days) {
      now += days * SECONDS_A_DAY * BETWEEN_SESSIONS;
    },
  };
}
