import type { Operation } from "@/core/model/factSettings";

const OPERATION_NAMES: Readonly<Record<Operation, string>> = {
  add: "adding",
  subtract: "subtracting",
  multiply: "multiplying",
  divide: "dividing",
};

/** What an operation is called in the middle of a sentence. */
export const operationName = (operation: Operation): string => OPERATION_NAMES[operation];

const SUMS: Readonly<Record<string, string>> = {
  ones: "0, 1",
  twos: "two",
  doubles: "doubles",
  tens: "making ten",
  within: "up to nine",
  nines: "nine and ten",
  near: "one apart",
  over: "over ten",
  large: "above ten",
};
const TABLES: Readonly<Record<string, string>> = {
  1: "0, 1",
  2: "twos",
  3: "threes",
  4: "fours",
  5: "fives",
  6: "sixes",
  7: "sevens",
  8: "eights",
  9: "nines",
  10: "tens",
  11: "elevens",
  12: "twelves",
  13: "thirteens",
  14: "fourteens",
  15: "fifteens",
};
const SIGN_OF: Readonly<Record<string, string>> = { add: "+", subtract: "−", multiply: "×", divide: "÷" };

/** A family of facts with its sign: "× sevens", "+ doubles". */
export function familyName(id: string): string {
  const [operation = "", key = ""] = id.split("-");
  return `${SIGN_OF[operation] ?? ""} ${SUMS[key] ?? TABLES[key] ?? key}`;
}

const SIGNS: Readonly<Record<string, string>> = { "+": "+", "-": "−", "*": "×", "/": "÷" };

/** A fact by its id as it is written: "6 × 7". */
export const factText = (id: string): string => id.replace(/[-+*/]/, (sign) => ` ${SIGNS[sign] ?? sign} `);

/** Several facts in a line. */
export const factsText = (ids: readonly string[]): string => ids.map(factText).join(", ");
