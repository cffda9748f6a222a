/**
 * One who keeps what was learned as Pavlik & Anderson (2005) found it: each meeting leaves a trace whose decay rises with how fresh the memory
 * was, so that meetings far apart last longer; it comes back with a chance that rises with the sum of the traces. Decay as in the paper; the
 * threshold is lower than for word pairs, since a skill is met in several ways. Time between sessions counts a fortieth (Anderson, Fincham & Douglass 1999).
 */
export interface Keeper {
  /** So many meetings one after the other, on a day. */
  practise(skill: string, day: number, times: number): void;
  /** Chance that it would come back, on a day. */
  recall(skill: string, day: number): number;
  /** The same memory, going its own way from here. */
  copy(): Keeper;
}

const DECAY = { scale: 0.217, least: 0.177 } as const;
const THRESHOLD = -1.8;
const NOISE = 0.45;
const SECONDS_A_DAY = 86_400 / 40;
const SECONDS_BETWEEN = 60;
/** How far students, and their single skills, lie apart in what they need for something to come back. */
const APART = { student: 0.3, skill: 0.3 } as const;

type Trace = readonly [at: number, decay: number];

export function keeper(random: () => number): Keeper {
  const gauss = () => Math.sqrt(-2 * Math.log(Math.max(1e-12, random()))) * Math.cos(2 * Math.PI * random());
  const own = THRESHOLD + APART.student * gauss();
  const thresholds = new Map<string, number>();
  const thresholdOf = (skill: string) => {
    const known = thresholds.get(skill) ?? own + APART.skill * gauss();
    thresholds.set(skill, known);
    return known;
  };
  return keeperOf(new Map(), thresholdOf);
}

function keeperOf(traces: Map<string, readonly Trace[]>, thresholdOf: (skill: string) => number): Keeper {
  const activation = (list: readonly Trace[], now: number) =>
    list.length === 0
      ? Number.NEGATIVE_INFINITY
      : Math.log(list.reduce((sum, [at, decay]) => sum + Math.max(1, now - at) ** -decay, 0));
  return {
    practise(skill, day, times) {
      const list = [...(traces.get(skill) ?? [])];
      for (let n = 0; n < times; n++) {
        const now = day * SECONDS_A_DAY + n * SECONDS_BETWEEN;
        const fresh = activation(list, now);
        list.push([now, DECAY.scale * (list.length === 0 ? 0 : Math.exp(fresh)) + DECAY.least]);
      }
      traces.set(skill, list);
    },
    recall(skill, day) {
      const fresh = activation(traces.get(skill) ?? [], day * SECONDS_A_DAY);
      return 1 / (1 + Math.exp((thresholdOf(skill) - fresh) / NOISE));
    },
    copy: () => keeperOf(new Map(traces), thresholdOf),
  };
}
