import { equivalentLines } from "./algebra/equivalentLines";
import { likelySlip } from "./algebra/likelySlip";
import { lineCost } from "./algebra/lineCost";
import { nextUsefulStep, type StepKind } from "./algebra/nextUsefulStep";
import type { AlgebraLine, UnreadableAlgebra } from "./algebra/node";
import { readAlgebra } from "./algebra/readAlgebra";
import type { Slip } from "./algebra/slip";
import { unknownsOfLine } from "./algebra/unknownsOfLine";

/** A hint towards the next useful step: what to do, then with what, then the line itself. */
export type StepHint =
  | { readonly grade: 1; readonly kind: StepKind }
  | { readonly grade: 2; readonly kind: StepKind; readonly with: string }
  | { readonly grade: 3; readonly kind: StepKind; readonly line: string };

export interface StepCheck {
  /** "useful": says the same and is nearer to done; "true": says the same and is not; "wrong"; or it cannot be judged. */
  readonly verdict: "useful" | "true" | "wrong" | "unreadable";
  readonly equivalent: boolean;
  /** Nothing useful is left to do. */
  readonly done: boolean;
  /** The likely slip of a wrong line; null when none is known. */
  readonly slip: Slip | null;
  /** Graded hints from the last right line: the student's own if it is right, the one before otherwise. Empty when done. */
  readonly hints: readonly StepHint[];
  readonly reason: UnreadableAlgebra | null;
}

/**
 * Judges a line of work against the line before: whether it says the same, whether it helps, and if not, which slip likely
 * made it. Lines are expressions, equations or inequalities, best in one unknown; with more, only "true" or "wrong" is said.
 * "unreadable" names the reason, of the line before as well. Never throws; done within milliseconds.
 * Example: `checkStep("2(x + 3) = 10", "2x + 3 = 10")` is wrong with the slip "distribution".
 * @example checkStep("2x + 3 = 7", "2x = 4").verdict // "useful"
 */
export function checkStep(previous: string, next: string): StepCheck {
  const [before, after] = [readAlgebra(previous), readAlgebra(next)];
  if ("unreadable" in before) return unreadable(before.unreadable, []);
  const unknown = onlyUnknown(before);
  if ("unreadable" in after) return unreadable(after.unreadable, hintsFrom(before, unknown));
  const same = equivalentLines(before, after);
  if (same === null) return unreadable("too-hard", hintsFrom(before, unknown));
  if (!same) {
    const slip = unknown === null ? null : likelySlip(before, after, unknown);
    return { verdict: "wrong", equivalent: false, done: false, slip, hints: hintsFrom(before, unknown), reason: null };
  }
  const hints = hintsFrom(after, unknown);
  const [costBefore, costAfter] =
    unknown === null ? [null, null] : [lineCost(before, unknown), lineCost(after, unknown)];
  const nearer = costBefore !== null && costAfter !== null && costAfter.collected < costBefore.written;
  const done = unknown !== null && costAfter !== null && hints.length === 0;
  return { verdict: nearer ? "useful" : "true", equivalent: true, done, slip: null, hints, reason: null };
}

function unreadable(reason: UnreadableAlgebra, hints: readonly StepHint[]): StepCheck {
  return { verdict: "unreadable", equivalent: false, done: false, slip: null, hints, reason };
}

/** The one unknown of a line ("x" for plain numbers); null when there are several. */
function onlyUnknown(line: AlgebraLine): string | null {
  const [name = "x", another] = unknownsOfLine(line);
  return another === undefined ? name : null;
}

function hintsFrom(line: AlgebraLine, unknown: string | null): StepHint[] {
  const step = unknown === null ? null : nextUsefulStep(line, unknown);
  if (!step) return [];
  const { kind } = step;
  return [
    { grade: 1, kind },
    { grade: 2, kind, with: step.with },
    { grade: 3, kind, line: step.line },
  ];
}
