import type { Rational } from "../numeric/rational";
import { compileExpression } from "./compileExpression";
import { type NumberReading, readNumber } from "./readNumber";

export type ConditionCheck =
  | { readonly verdict: "right" | "wrong"; readonly value: Rational }
  | {
      readonly verdict: "unreadable";
      readonly reason: Extract<NumberReading, { ok: false }>["reason"] | "two-readings";
    };

/**
 * Checks an open answer against a condition on `x` in the expression language of item models: for "a multiple of 4 between
 * 50 and 60" it is "mod(x, 4) == 0 and x > 50 and x < 60". Throws "bad-expression" for a condition that cannot be read or
 * gives no truth value; a value for which it cannot be worked out is wrong.
 * @example checkCondition("6", "x > 5").verdict // "right"
 */
export function checkCondition(answer: string, condition: string): ConditionCheck {
  const holds = compileExpression(condition);
  const reading = readNumber(answer);
  if (!reading.ok) return { verdict: "unreadable", reason: reading.reason };
  if (holds({ x: reading.value }) === true) return { verdict: "right", value: reading.value };
  if (reading.other && holds({ x: reading.other }) === true) return { verdict: "unreadable", reason: "two-readings" };
  return { verdict: "wrong", value: reading.value };
}
