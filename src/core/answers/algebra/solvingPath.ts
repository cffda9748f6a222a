import { nextUsefulStep, type UsefulStep } from "./nextUsefulStep";
import { readAlgebra } from "./readAlgebra";
import { unknownsOfLine } from "./unknownsOfLine";

/** More steps than anybody writes down; a line that needs them is taken for one that leads nowhere. */
const MOST_STEPS = 20;

/**
 * The useful steps that lead from a line in one unknown until nothing is left to do; empty when it is done, can't be read, or is of several
 * unknowns.
 * @example solvingPath("2x + 3 = 7").map(({ line }) => line) // ["2x = 4", "x = 2"]
 */
export function solvingPath(text: string): readonly UsefulStep[] {
  const path: UsefulStep[] = [];
  for (let at = text; path.length < MOST_STEPS; ) {
    const line = readAlgebra(at);
    if ("unreadable" in line) return path;
    const [unknown = "x", another] = unknownsOfLine(line);
    const step = another === undefined ? nextUsefulStep(line, unknown) : null;
    if (!step) return path;
    path.push(step);
    at = step.line;
  }
  return path;
}
