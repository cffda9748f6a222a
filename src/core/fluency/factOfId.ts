import type { Operation } from "../model/factSettings";
import type { Fact } from "./fact";

const OPERATION_OF: Readonly<Record<string, Operation>> = {
  "+": "add",
  "-": "subtract",
  "*": "multiply",
  "/": "divide",
};

/**
 * The fact that an id names; null for what names none.
 * @example factOfId("6*7") // { operation: "multiply", left: 6, right: 7 }
 */
export function factOfId(id: string): Fact | null {
  const found = /^(\d{1,3})([-+*/])(\d{1,2})$/.exec(id);
  const operation = OPERATION_OF[found?.[2] ?? ""];
  if (!found || !operation) return null;
  const fact = { operation, left: Number(found[1]), right: Number(found[3]) };
  if (operation === "subtract" && fact.left < fact.right) return null;
  if (operation === "divide" && (fact.right === 0 || fact.left % fact.right !== 0)) return null;
  return fact;
}
