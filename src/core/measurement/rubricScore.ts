import { demandThat } from "../model/fail";
import { type Rational, rational } from "../numeric/rational";
import { combinedScore } from "./combinedScore";

/** One line of a rubric: 0 to `highest` points, and what it weighs in the whole (above 0; 1 unless stated). */
export interface Criterion {
  readonly highest: number;
  readonly weight?: number;
}

/** What one person gave: points for each criterion, in their order. */
export interface Rating {
  readonly raterId: string;
  readonly points: readonly number[];
}

export interface RubricRules {
  /** Persons who score each work, blind to each other. */
  readonly raters: 1 | 2;
  /** Two who lie no further apart than this in a criterion are averaged; further, a third person is asked. */
  readonly tolerance: number;
  /** Whether the third person's points stand, or are averaged with the nearer of the two. */
  readonly third: "stands" | "with-nearer";
}

/** How a criterion stands, or the whole work: still waiting for a rating, apart and waiting for a third person, or scored. */
export type RubricStanding = "waiting" | "apart" | "agreed" | "settled";

export interface CriterionScore {
  readonly standing: RubricStanding;
  /** Exact points; null until there are any to stand on. */
  readonly points: Rational | null;
}

export interface RubricScore {
  /** The standing of the criterion that is furthest back; "settled" where a third person was needed. */
  readonly standing: RubricStanding;
  readonly criteria: readonly CriterionScore[];
  /** Share of what was possible by the weights, 0 to 1, exact; null until every criterion has its points. */
  readonly score: Rational | null;
}

const ORDER: readonly RubricStanding[] = ["waiting", "apart", "settled", "agreed"];

/**
 * The score of a written work from the ratings so far, in the order in which they were given: one person's stands where one is asked, two who
 * agree within the tolerance are averaged, and where they do not a third decides (adjudication; Johnson, Penny & Gordon 2000). A third rating
 * where nobody asked for it changes nothing.
 * @throws CoreError "bad-argument", where this does not hold: Ratings are by different persons, whole points from 0 to each criterion's highest.
 * @example rubricScore([{ highest: 4 }], [{ raterId: "n", points: [3] }, { raterId: "m", points: [4] }], { raters: 2, tolerance: 1, third: "stands" }).score?.toFraction() // "7/8"
 */
export function rubricScore(
  criteria: readonly Criterion[],
  ratings: readonly Rating[],
  rules: RubricRules,
): RubricScore {
  const isWithin = (points: number, { highest }: Criterion) =>
    Number.isInteger(points) && points >= 0 && points <= highest;
  demandThat(
    criteria.length > 0 &&
      rules.tolerance >= 0 &&
      new Set(ratings.map(({ raterId }) => raterId)).size === ratings.length &&
      ratings.every(
        ({ points }) => points.length === criteria.length && criteria.every((one, n) => isWithin(points[n] ?? -1, one)),
      ),
    "Ratings are by different persons, whole points from 0 to each criterion's highest.",
    { criteria: criteria.length, raters: ratings.length },
  );
  const scored = criteria.map((_, n) =>
    criterionScore(
      ratings.map(({ points }) => points[n] ?? 0),
      rules,
    ),
  );
  const standing = ORDER.find((one) => scored.some((criterion) => criterion.standing === one)) ?? "waiting";
  const parts = criteria.flatMap(({ highest, weight = 1 }, n) => {
    const points = scored[n]?.points;
    return points ? [{ score: points.div(rational(highest)), weight }] : [];
  });
  return { standing, criteria: scored, score: parts.length === criteria.length ? combinedScore(parts) : null };
}

function criterionScore([first, second, third]: readonly number[], rules: RubricRules): CriterionScore {
  if (first === undefined) return { standing: "waiting", points: null };
  if (rules.raters === 1) return { standing: "agreed", points: rational(first) };
  if (second === undefined) return { standing: "waiting", points: null };
  if (Math.abs(first - second) <= rules.tolerance) return { standing: "agreed", points: rational(first + second, 2) };
  if (third === undefined) return { standing: "apart", points: null };
  if (rules.third === "stands") return { standing: "settled", points: rational(third) };
  const [toFirst, toSecond] = [Math.abs(third - first), Math.abs(third - second)];
  // In the very middle no one is nearer: the third person's points are the mean of all three.
  if (toFirst === toSecond) return { standing: "settled", points: rational(third) };
  return { standing: "settled", points: rational(third + (toFirst < toSecond ? first : second), 2) };
}
