import { MASTERY_BOUNDARY } from "../mastery/masteryBoundary";
import { demandThat } from "../model/fail";
import type { NoEstimate } from "../model/noEstimate";
import type { Score } from "../model/score";
import { type Calibration, type CalibrationOptions, calibrate, LEAST_ANSWERS } from "./calibrate";
import type { ItemParameters } from "./item";
import { carriedOver, linkByMeanMean, type ScaleLink } from "./linkScales";
import { type ItemDifference, mantelHaenszel } from "./mantelHaenszel";
import { probability } from "./probability";

/** The first answers to the items of one skill: a row a run, a column an item; null where the run did not have it. */
export interface SkillAnswers {
  readonly scores: readonly (readonly Score[])[];
  /** Parameters in force, on the subject's scale. */
  readonly inForce: readonly ItemParameters[];
  /** Of the skill, in logits. */
  readonly difficulty: number;
  /** By row: whether it is of the later half of the time. */
  readonly later: readonly boolean[];
  /** By row: whether it is of the students for whom items might work otherwise. */
  readonly focal: readonly boolean[];
}

/** Parameters as the answers say, on the subject's scale, with standard errors. */
export interface ItemEstimate extends ItemParameters {
  readonly se: number;
  readonly seA: number;
  readonly seC: number;
}

/** How an item does against what is held of it. Chances are 0 to 1. */
export interface CheckedItem {
  /** Difficulty in force, on the subject's scale. */
  readonly inForce: number;
  readonly answers: number;
  readonly right: number;
  readonly estimate: ItemEstimate | null;
  /** Whether the difficulty lies apart from that in force, by more than luck often does and enough to matter. */
  readonly apart: boolean;
  /** Chance of a right answer of somebody who has just mastered the skill, as in force and as estimated. */
  readonly atMastery: { readonly inForce: number; readonly estimated: number } | null;
  /** Later against earlier answers, and focal students against the others, among runs with the same number right. */
  readonly drift: ItemDifference | null;
  readonly difference: ItemDifference | null;
}

export interface CheckedSkill {
  readonly items: readonly CheckedItem[];
  /** Why nothing was estimated; null where something was. */
  readonly refusal: NoEstimate<
    "no-answers" | "too-few-answers" | "all-right-or-all-wrong" | "too-few-items" | "singular" | "not-converged"
  > | null;
  /** Runs that were read. */
  readonly runs: number;
}

const LEVEL = 1.96;
/** Logits under which a difference of difficulty changes nothing that anybody would notice. */
const NOTICEABLE = 0.3;

/**
 * Items of a skill calibrated by their answers and set against what is in force. Items with 100 first answers or more are fitted together
 * (`calibrate`) and brought onto the subject's scale by the means of their slopes and difficulties (`linkByMeanMean`): the answers say how items
 * lie to one another, the rules where they lie as a whole. Fewer than two such items are not judged. Differences by Mantel–Haenszel among
 * runs that had all of them.
 * @throws CoreError "bad-argument", where this does not hold: Every run needs a score for each item, and its group.
 * @example checkItems({ scores: [], inForce: [], difficulty: 0, later: [], focal: [] }, "rasch").refusal // { noEstimate: "no-answers" }
 */
export function checkItems(answers: SkillAnswers, model: CalibrationOptions["model"]): CheckedSkill {
  const { scores, inForce, later, focal } = answers;
  demandThat(
    scores.every((row) => row.length === inForce.length) &&
      later.length === scores.length &&
      focal.length === scores.length,
    "Every run needs a score for each item, and its group.",
    { runs: scores.length, items: inForce.length },
  );
  const counts = inForce.map((_, j) => ({
    answers: scores.filter((row) => (row[j] ?? null) !== null).length,
    right: scores.filter((row) => row[j] === 1).length,
  }));
  const plain = counts.map((count, j): CheckedItem => ({ inForce: inForce[j]?.b ?? 0, ...count, ...NOTHING }));
  const refused = (reason: NonNullable<CheckedSkill["refusal"]>["noEstimate"]): CheckedSkill => ({
    items: plain,
    refusal: { noEstimate: reason },
    runs: scores.length,
  });
  if (scores.length === 0) return refused("no-answers");
  const judged = counts.flatMap(({ answers: n, right }, j) =>
    n >= LEAST_ANSWERS && right > 0 && right < n ? [j] : [],
  );
  if (judged.length < 2)
    return refused(counts.some(({ answers: n }) => n >= LEAST_ANSWERS) ? "too-few-items" : "too-few-answers");
  const narrowed = scores.map((row) => judged.map((j) => row[j] ?? null));
  const found = calibrate(narrowed, { model });
  if ("noEstimate" in found) return refused(found.noEstimate);
  if (!found.converged) return refused("not-converged");
  const held = judged.flatMap((j) => inForce[j] ?? []);
  const link = linkByMeanMean(found.items, held);
  if ("noEstimate" in link) return refused("too-few-items");
  const estimates = found.items.map((item) => onScale(item, link));
  const compare = (group: readonly boolean[]) => differences(narrowed, group);
  const [drift, difference] = [compare(later), compare(focal)];
  const items = plain.map((item, j): CheckedItem => {
    const place = judged.indexOf(j);
    const [estimate, old] = [estimates[place], inForce[j]];
    if (place < 0 || !estimate || !old) return item;
    const boundary = answers.difficulty + MASTERY_BOUNDARY;
    const off = Math.abs(estimate.b - old.b);
    return {
      ...item,
      estimate,
      apart: off > LEVEL * estimate.se && off >= NOTICEABLE,
      atMastery: { inForce: probability(boundary, old), estimated: probability(boundary, estimate) },
      drift: drift[place] ?? null,
      difference: difference[place] ?? null,
    };
  });
  return { items, refusal: null, runs: scores.length };
}

const NOTHING = {
  estimate: null,
  apart: false,
  atMastery: null,
  drift: null,
  difference: null,
} as const;

function onScale(item: Calibration["items"][number], link: ScaleLink): ItemEstimate {
  const { a, b, c } = carriedOver(item, link);
  return { a, b, c, se: link.slope * item.se, seA: item.seA / link.slope, seC: item.seC };
}

function differences(scores: readonly (readonly Score[])[], group: readonly boolean[]): (ItemDifference | null)[] {
  const found = mantelHaenszel(
    scores,
    group.map((isIn) => (isIn ? 1 : 0)),
  );
  return found.map((one) => ("noEstimate" in one ? null : one));
}
