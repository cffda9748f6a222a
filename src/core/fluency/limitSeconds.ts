import { demandThat } from "../model/fail";
import type { Fact } from "./fact";
import { factAnswer } from "./factAnswer";

/**
 * Seconds within which a fact counts as known by heart: the student's own typing of its answer plus time to think.
 * @throws CoreError "bad-argument", where this does not hold: Typing and thinking take more than 0 s.
 * @example limitSeconds({ operation: "multiply", left: 6, right: 7 }, 0.5, 2) // 3
 */
export function limitSeconds(fact: Fact, secondsPerDigit: number, thinkingSeconds: number): number {
  demandThat(secondsPerDigit > 0 && thinkingSeconds > 0, "Typing and thinking take more than 0 s.", {
    secondsPerDigit,
    thinkingSeconds,
  });
  return String(factAnswer(fact)).length * secondsPerDigit + thinkingSeconds;
}
