import { demandThat } from "../model/fail";
import { LEVEL_CUTS, type Level } from "../model/levels";

/**
 * The level of a chance of mastery; a school may set its own cuts. `extending`: mastered here and Secure in what builds on it beyond the grade.
 * @throws CoreError "bad-argument", where this does not hold: Cuts must rise within 0 to 1.
 * @example levelOf(0.9, false) // "secure"
 */
export function levelOf(
  chance: number,
  extending: boolean,
  cuts: { readonly developing: number; readonly secure: number } = LEVEL_CUTS,
): Level {
  demandThat(
    cuts.developing > 0 && cuts.developing < cuts.secure && cuts.secure <= 1,
    "Cuts must rise within 0 to 1.",
    cuts,
  );
  if (chance < cuts.developing) return "beginning";
  if (chance < cuts.secure) return "developing";
  return extending ? "extending" : "secure";
}
