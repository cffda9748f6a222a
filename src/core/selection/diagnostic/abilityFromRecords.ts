import { groupBy } from "../../collections/groupBy";
import type { Ability } from "../../measurement/ability";
import { type AbilityPrior, eap } from "../../measurement/eap";
import { logLikelihood as logLikelihoodOf } from "../../measurement/logLikelihood";
import { overPassage } from "../../measurement/passageEffect";
import { posteriorMoments } from "../../measurement/posteriorMoments";
import { logistic } from "../../numeric/logistic";
import type { DiagnosticRecord } from "./diagnosticState";

/** Chances that a student sets an item aside rather than answering it, when it is not known: each as likely as the others. */
const HABITS = [0.05, 0.15, 0.25, 0.35, 0.45, 0.55, 0.65, 0.75, 0.85, 0.95] as const;
/** Chance that an item is set aside although it is known: in haste, on purpose, by a slip of the hand. */
const ASIDE_THOUGH_KNOWN = 0.05;
const NODES = 81;
const REACH = 6;

/** What is looked at of an item that was answered or set aside. */
type Outcome = Pick<DiagnosticRecord, "a" | "b" | "c" | "outcome" | "passageId">;

/**
 * Ability from answers and from items set aside as not learned. Setting aside is an outcome of its own: it happens to what is not known,
 * with a chance that is the student's habit, estimated along with ability and bounded; whoever sets aside what is not known would
 * else look abler by all that was never counted (nonignorable omission; compare O'Muircheartaigh & Moustaki 1999). Items that hang on one
 * passage share the student's effect of that passage (`overPassage`). With neither it is the
 * expected ability of the answers. `n` counts scored answers.
 * @example abilityFromRecords([{ a: 1, b: 0, c: 0, outcome: "right" }], { mean: 0, sd: 1 }).theta.toFixed(2) // "0.41"
 */
export function abilityFromRecords(records: readonly Outcome[], prior: AbilityPrior): Ability {
  const scored = records.filter(({ outcome }) => outcome === "right" || outcome === "wrong");
  const groups = groupsOf(records);
  if (records.some(({ outcome }) => outcome === "not-learned")) return withHabits(groups, scored.length, prior);
  const scores = scored.map(({ outcome }) => (outcome === "right" ? 1 : 0));
  if (groups.every(({ passageId }) => passageId === null)) return eap(scored, scores, prior);
  const sharpest = prior.sd * scored.reduce((most, { a }) => Math.max(most, a), 0);
  const { centre, spread } = posteriorMoments((z) => sumOver(groups, prior.mean + prior.sd * z, answersAt), {
    sharpest,
  });
  return { theta: prior.mean + prior.sd * centre, se: prior.sd * spread, n: scored.length };
}

/** Records that stand alone, and those of each passage together. */
interface OutcomeGroup {
  readonly passageId: string | null;
  readonly records: readonly Outcome[];
}

function groupsOf(records: readonly Outcome[]): OutcomeGroup[] {
  const byPassage = groupBy(records, ({ passageId }) => passageId ?? "");
  return [...byPassage].map(([id, members]) => ({ passageId: id === "" ? null : id, records: members }));
}

function sumOver(
  groups: readonly OutcomeGroup[],
  theta: number,
  logLikelihood: (records: readonly Outcome[], ability: number) => number,
): number {
  return groups.reduce(
    (sum, { passageId, records }) =>
      sum +
      (passageId === null
        ? logLikelihood(records, theta)
        : overPassage(theta, (ability) => logLikelihood(records, ability))),
    0,
  );
}

function withHabits(groups: readonly OutcomeGroup[], scored: number, prior: AbilityPrior): Ability {
  const heights: { readonly z: number; readonly height: number }[] = [];
  for (let node = 0; node < NODES; node++) {
    const z = -REACH + (2 * REACH * node) / (NODES - 1);
    for (const habit of HABITS) {
      const ofAll = sumOver(groups, prior.mean + prior.sd * z, (records, ability) =>
        outcomesAt(records, ability, habit),
      );
      heights.push({ z, height: ofAll - (z * z) / 2 });
    }
  }
  const largest = heights.reduce((most, { height }) => Math.max(most, height), Number.NEGATIVE_INFINITY);
  let [mass, first, second] = [0, 0, 0];
  for (const { z, height } of heights) {
    const weight = Math.exp(height - largest);
    mass += weight;
    first += weight * z;
    second += weight * z * z;
  }
  const centre = first / mass;
  return {
    theta: prior.mean + prior.sd * centre,
    se: prior.sd * Math.sqrt(Math.max(0, second / mass - centre * centre)),
    n: scored,
  };
}

/** Log likelihood of the answers alone. */
function answersAt(records: readonly Outcome[], theta: number): number {
  return logLikelihoodOf(
    theta,
    records.flatMap((item) => (item.outcome === null ? [] : [{ item, score: item.outcome === "right" ? 1 : 0 }])),
  );
}

/** Log likelihood of answers and of setting aside, under a habit. */
function outcomesAt(records: readonly Outcome[], theta: number, habit: number): number {
  let sum = 0;
  for (const { a, b, c, outcome } of records) {
    const known = logistic(a * (theta - b));
    const tried = (1 - habit) * (1 - known);
    if (outcome === "right") sum += Math.log((1 - ASIDE_THOUGH_KNOWN) * known + tried * c);
    else if (outcome === "wrong") sum += Math.log(tried * (1 - c));
    else if (outcome === "not-learned") sum += Math.log(ASIDE_THOUGH_KNOWN * known + habit * (1 - known));
  }
  return sum;
}
