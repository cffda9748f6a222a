import { demandThat } from "../model/fail";
import { distribution } from "../numeric/distribution";

/** An ability on the vertical scale with its error, in logits. */
export interface Level {
  readonly theta: number;
  readonly se: number;
}

/** A strand as it is weighed in the whole. */
export interface WeighedStrand extends Level {
  readonly id: string;
  /** By the blueprint, above 0. */
  readonly weight: number;
  /** How many skills of other strands build on it. */
  readonly carries: number;
}

/** A strand that lies below the whole by more than the error of the difference. */
export interface HoldingBack {
  readonly id: string;
  /** Logits below the whole, above 0. */
  readonly below: number;
}

const SIDES = 1 - (1 - 0.95) / 2;

/**
 * The level of a strand from what is known of its skills: the mean of their abilities weighed by precision; each is the strand's own but for how
 * much single skills lie around it (`between`, a standard deviation in logits). Null without any.
 * @throws CoreError "bad-argument", where this does not hold: Errors are above 0.
 * @example strandLevel([{ theta: 1, se: 0.6 }, { theta: 0, se: 0.6 }], 0.8)?.se.toFixed(4) // "0.7071"
 */
export function strandLevel(skills: readonly Level[], between: number): Level | null {
  demandThat(between >= 0 && skills.every(({ theta, se }) => se > 0 && Number.isFinite(theta)), "Errors are above 0.");
  if (skills.length === 0) return null;
  const precisions = skills.map(({ se }) => 1 / (se ** 2 + between ** 2));
  const total = precisions.reduce((sum, one) => sum + one, 0);
  const theta = skills.reduce((sum, skill, place) => sum + (precisions[place] ?? 0) * skill.theta, 0) / total;
  return { theta, se: Math.sqrt(1 / total) };
}

/**
 * The whole from strands: their mean weighed by precision times the blueprint's weight. Null without any.
 * @throws CoreError "bad-argument", where this does not hold: Errors and weights are above 0.
 * @example wholeLevel([{ id: "a", theta: 0, se: 0.5, weight: 1, carries: 0 }, { id: "b", theta: 1, se: 0.5, weight: 3, carries: 0 }])?.theta // 0.75
 */
export function wholeLevel(strands: readonly WeighedStrand[]): Level | null {
  demandThat(
    strands.every(({ se, weight }) => se > 0 && weight > 0),
    "Errors and weights are above 0.",
  );
  if (strands.length === 0) return null;
  const shares = strands.map(({ se, weight }) => weight / se ** 2);
  const total = shares.reduce((sum, share) => sum + share, 0);
  const mean = (of: (strand: WeighedStrand, share: number) => number) =>
    strands.reduce((sum, strand, place) => sum + of(strand, (shares[place] ?? 0) / total), 0);
  return {
    theta: mean(({ theta }, share) => share * theta),
    se: Math.sqrt(mean(({ se }, share) => (share * se) ** 2)),
  };
}

/**
 * The strands that hold the whole down: each set against the other strands together, beyond the error of the difference; those that most others
 * build on first, then the lowest. None of one strand alone.
 * @example holdingBack([{ id: "a", theta: -2, se: 0.2, weight: 1, carries: 3 }, { id: "b", theta: 0, se: 0.2, weight: 1, carries: 0 }])[0]?.id // "a"
 */
export function holdingBack(strands: readonly WeighedStrand[]): HoldingBack[] {
  const deviate = distribution.normalQuantile(SIDES);
  return strands
    .flatMap((strand) => {
      const others = wholeLevel(strands.filter(({ id }) => id !== strand.id));
      if (!others) return [];
      const below = others.theta - strand.theta;
      return below > deviate * Math.hypot(strand.se, others.se)
        ? [{ id: strand.id, below, carries: strand.carries }]
        : [];
    })
    .sort((x, y) => y.carries - x.carries || y.below - x.below)
    .map(({ id, below }) => ({ id, below }));
}
