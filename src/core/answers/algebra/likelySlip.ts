import { arithmeticSlip } from "./arithmeticSlip";
import { bracketSlips } from "./bracketSlips";
import { equivalentLines } from "./equivalentLines";
import { factorSlips } from "./factorSlips";
import { movedSlips } from "./movedSlips";
import type { AlgebraLine } from "./node";
import { comparedWithZero, sameSolutions } from "./sameSolutions";
import { sameValue } from "./sameValue";
import type { Slip } from "./slip";
import { TURNED } from "./turnedRelation";
import { writtenTerms } from "./writtenTerms";

/** Slips tried in opening brackets; a longer line has more than a student means. */
const MOST_TRIED = 16;
/** Coefficients of a line in which slips are looked for: up to the square. */
const MOST_COEFFICIENTS = 3;

/**
 * The slip that turns the line before into the student's wrong line: each known slip is made in it, and the one that gives just what
 * was written is named, or else the only one that says the same. From the most specific to the least: brackets, direction, moved terms, arithmetic.
 * @example likelySlip(readAlgebra("x + 3 = 5"), readAlgebra("x = 8"), "x")?.kind // "inverse-operation"
 */
export function likelySlip(before: AlgebraLine, after: AlgebraLine, unknown: string): Slip | null {
  if (!isOfLowDegree(before, unknown) || !isOfLowDegree(after, unknown)) return null;
  const opened = [
    ...bracketSlips(before.left).map(({ node, kind }) => ({ line: { ...before, left: node }, kind })),
    ...(before.right
      ? bracketSlips(before.right).map(({ node, kind }) => ({ line: { ...before, right: node }, kind }))
      : []),
  ].slice(0, MOST_TRIED);
  const candidates = [...opened, ...factorSlips(before).map((line) => ({ line, kind: "inverse-operation" as const }))];
  const exact = candidates.find(({ line }) => hasSameSides(line, after));
  if (exact) return { kind: exact.kind };
  // Only its solutions are those of a slip: more may have been done at once, and if two slips lead there neither is named.
  const kinds = new Set(candidates.flatMap(({ line, kind }) => (equivalentLines(line, after) === true ? [kind] : [])));
  const [kind] = kinds;
  if (kind) return kinds.size === 1 ? { kind } : null;
  const turned = before.relation && before.relation !== "=" ? { ...before, relation: TURNED[before.relation] } : null;
  if (turned && equivalentLines(turned, after) === true) return { kind: "direction" };
  return movedSlip(before, after, unknown) ?? arithmeticSlip(before, after, unknown);
}

const hasSameSides = (one: AlgebraLine, other: AlgebraLine): boolean =>
  one.relation === other.relation &&
  sameValue(one.left, other.left) === true &&
  (!one.right || !other.right || sameValue(one.right, other.right) === true);

/** Of a high degree each of the many comparisons takes long, and nobody solves it by hand in steps. */
function isOfLowDegree(line: AlgebraLine, unknown: string): boolean {
  if (!line.right) return true;
  const compared = comparedWithZero(line, unknown);
  return compared !== null && compared.top.length <= MOST_COEFFICIENTS && compared.bottom.length === 1;
}

function movedSlip(before: AlgebraLine, after: AlgebraLine, unknown: string): Slip | null {
  const wrong = comparedWithZero(after, unknown);
  if (!wrong || !before.relation || !before.right || !after.right) return null;
  const [left, right] = [writtenTerms(before.left, unknown), writtenTerms(before.right, unknown)];
  const [leftAfter, rightAfter] = [writtenTerms(after.left, unknown), writtenTerms(after.right, unknown)];
  if (!left || !right || !leftAfter || !rightAfter) return null;
  const moved = movedSlips([left, right], [leftAfter, rightAfter], before.relation).find(
    ({ line }) => sameSolutions(line, wrong) === true,
  );
  return moved ? { kind: moved.kind } : null;
}
