import { demandThat } from "../model/fail";
import type { Fact } from "./fact";

/**
 * The whole number from 0 that answers a fact. Throws "bad-argument" when there is none.
 * @example factAnswer({ operation: "multiply", left: 6, right: 7 }) // 42
 */
export function factAnswer({ operation, left, right }: Fact): number {
  const value =
    operation === "add"
      ? left + right
      : operation === "subtract"
        ? left - right
        : operation === "multiply"
          ? left * right
          : left / right;
  demandThat(
    Number.isInteger(left) &&
      Number.isInteger(right) &&
      left >= 0 &&
      right >= 0 &&
      Number.isInteger(value) &&
      value >= 0,
    "A fact has whole operands from 0 and a whole answer from 0.",
    { operation, left, right },
  );
  return value;
}
