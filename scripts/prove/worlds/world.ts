/** An item as the application describes it. */
export interface WorldItem {
  readonly itemId: string;
  readonly seed: number;
  readonly parameters: { readonly a: number; readonly b: number; readonly c: number };
}

/** What a simulated student did at an item, at the first try. */
export interface WorldAnswer {
  readonly right: boolean;
  readonly hintsUsed: number;
  /** The true chance with which it came right. */
  readonly chance: number;
}

/** A student whose truth is known and nobody else's business. */
export interface WorldStudent {
  answer(item: WorldItem): WorldAnswer;
  /** Days without practice. */
  rest(days: number): void;
  /** Logits above the ability at which mastery begins; the skill is there from 0 up. */
  distance(): number;
}

/** A world of students, written without the application's own computation. */
export interface World {
  readonly name: string;
  /** What is other here than the application takes it to be. */
  readonly note: string;
  /** A class of this world, with items of its own where they are not as described: gives one student after the other. `difficulty`: of the skill, in logits. */
  readonly open: (random: () => number, difficulty: number) => () => WorldStudent;
}

/** Mastery begins where two of three typical items come right unaided: this far above the skill's difficulty. */
export const BEGINS = 0.75;

/** The three-parameter logistic curve, written out. */
export const curve = (ability: number, { a, b, c }: WorldItem["parameters"]): number =>
  c + (1 - c) / (1 + Math.exp(-a * (ability - b)));

/** A number from the normal distribution, by the sum of twelve even ones: good to the third standard deviation. */
export function around(random: () => number, mean: number, spread: number): number {
  let sum = -6;
  for (let n = 0; n < 12; n++) sum += random();
  return mean + spread * sum;
}

/** How a world's student differs from a plain one whose ability stays as it is. */
interface Traits {
  /** Mean ability above the skill's difficulty, and spread. */
  readonly mean?: number;
  readonly spread?: number;
  /** Logits learned from one item. */
  readonly pace?: number;
  /** The true chance from the ability and the item. */
  readonly chance?: (ability: number, item: WorldItem) => number;
  /** What days without practice do to what was learned, in logits. */
  readonly forgets?: (learned: number, days: number) => number;
  readonly hints?: (ability: number, item: WorldItem) => number;
}

/** A student of those traits. */
export function studentWith(random: () => number, difficulty: number, traits: Traits): WorldStudent {
  const { mean = 0.5, spread = 1, pace = 0, chance = (ability, { parameters }) => curve(ability, parameters) } = traits;
  const born = around(random, difficulty + mean, spread);
  let learned = 0;
  return {
    answer(item) {
      const hintsUsed = traits.hints?.(born + learned, item) ?? 0;
      const truly = chance(born + learned + (hintsUsed > 0 ? HELP_OF_HINTS : 0), item);
      learned += pace;
      return { right: random() < truly, hintsUsed, chance: truly };
    },
    rest(days) {
      learned = traits.forgets?.(learned, days) ?? learned;
    },
    distance: () => born + learned - difficulty - BEGINS,
  };
}

/** Logits by which somebody who reads all hints of an item is nearer to its answer. */
const HELP_OF_HINTS = 3;
