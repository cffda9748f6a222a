import { compileExpression } from "../answers/compileExpression";
import { CoreError } from "../model/fail";
import { type Rational, rational } from "../numeric/rational";
import { seededRandom } from "../numeric/seededRandom";
import type { ItemVersion, ParameterSpec } from "./itemBody";

/** Values of an item's parameters and derived names. */
export type ParameterValues = Readonly<Record<string, Rational>>;

/** Draws tried before an item counts as unsatisfiable; shipped ones need far fewer than 100. */
const MOST_DRAWS = 2000;

/**
 * Draws the parameters of an item: uniform over their ranges, drawn again until every condition in `where` holds.
 * The same item and seed always give the same values. Throws "bad-item" when 2,000 draws do not satisfy the conditions.
 */
export function drawParameters({ itemId, body }: ItemVersion, seed: number): ParameterValues {
  const random = seededRandom(`${itemId}#${seed}`);
  for (let draw = 0; draw < MOST_DRAWS; draw++) {
    const values: Record<string, Rational> = {};
    for (const [name, spec] of Object.entries(body.parameters)) values[name] = drawOne(spec, random);
    if (!(body.where ?? []).every((condition) => compileExpression(condition)(values) === true)) continue;
    for (const [name, expression] of Object.entries(body.derived ?? {})) {
      values[name] = numberFrom(expression, values);
    }
    return values;
  }
  throw new CoreError("bad-item", `No parameters satisfy the conditions of ${itemId}.`, {
    reason: "conditions-unmet",
    itemId,
    seed,
  });
}

/**
 * The value of an expression that must be a number.
 * @throws CoreError "bad-expression".
 */
export function numberFrom(expression: string, values: ParameterValues): Rational {
  const value = compileExpression(expression)(values);
  if (typeof value === "boolean") {
    throw new CoreError("bad-expression", `A number was required from "${expression}".`, { expression });
  }
  return value;
}

function drawOne(spec: ParameterSpec, random: () => number): Rational {
  if ("of" in spec) return rational(String(spec.of[Math.floor(random() * spec.of.length)]));
  const step = spec.step ?? 1;
  const count = Math.floor((spec.to - spec.from) / step) + 1;
  return rational(spec.from + step * Math.floor(random() * count));
}
