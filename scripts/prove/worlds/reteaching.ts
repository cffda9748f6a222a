import { around, BEGINS, curve, type WorldItem } from "./world";

/** What happens between the reteach and its check, in logits; written without the application's own computation. */
export interface Between {
  readonly name: string;
  readonly note: string;
  /** What being taught again brings, on average. */
  readonly taught: number;
  /** What the lessons of these days bring to everybody. */
  readonly everybody: number;
  /** Mean ability of the class above the skill's difficulty. */
  readonly mean: number;
  /** First answers that were careless, so that those who stand lowest were partly unlucky. */
  readonly careless: number;
}

const PLAIN = { taught: 0, everybody: 0, mean: 0.3, careless: 0 } as const;

export const NOTHING_WORKS: readonly Between[] = [
  { ...PLAIN, name: "does nothing", note: "nobody learns anything" },
  { ...PLAIN, name: "unlucky before", note: "a third of the early answers careless", careless: 0.33 },
  {
    ...PLAIN,
    name: "stronger than the grade says",
    note: "a class one logit above what is taken for granted",
    mean: 1.3,
  },
  { ...PLAIN, name: "everybody learns", note: "the class's lessons bring 0.8 logits to all", everybody: 0.8 },
];
export const SOMETHING_WORKS: readonly Between[] = [
  { ...PLAIN, name: "brings 0.8 logits", note: "", taught: 0.8 },
  { ...PLAIN, name: "brings 1.6 logits", note: "", taught: 1.6 },
  { ...PLAIN, name: "brings 2.4 logits", note: "", taught: 2.4 },
];

/** A student whose truth is known. */
export interface Pupil {
  /** Whether an early answer is right. */
  early(item: WorldItem): boolean;
  /** What the days between bring. */
  goOn(taught: boolean): void;
  /** Whether an answer of the check, or of practice after the lesson, is right. */
  later(item: WorldItem): boolean;
  hasIt(): boolean;
}

export function classOf(random: () => number, difficulty: number, between: Between): () => Pupil {
  return () => {
    let ability = around(random, difficulty + between.mean, 1);
    const right = (item: WorldItem) => random() < curve(ability, item.parameters);
    return {
      early: (item) => right(item) && random() >= between.careless,
      goOn: (taught) => {
        ability += between.everybody + (taught ? Math.max(0, around(random, between.taught, between.taught / 3)) : 0);
      },
      later: right,
      hasIt: () => ability - difficulty >= BEGINS,
    };
  };
}
