import type { ItemModel, ParameterSpec } from "../model/content";
import { CoreError } from "../model/fail";
import { type Rational, rational } from "../numeric/rational";
import { seededRandom } from "../numeric/seededRandom";
import { compileExpression } from "./compileExpression";

/** Values of an item model's parameters and derived names. */
export type ParameterValues = Readonly<Record<string, Rational>>;

/** Draws tried before an item model counts as unsatisfiable; shipped models need far fewer than 100. */
const MOST_DRAWS = 2000;

/**
 * Draws the parameters of an item model: uniform over their ranges, drawn again until every condition in `where` holds.
 * The same model and seed always give the same values. Throws "bad-item-model" when 2,000 draws do not satisfy the conditions.
 */
export function drawParameters(model: ItemModel, seed: number): ParameterValues {
  const random = seededRandom(`${model.id}#${seed}`);
  for (let draw = 0; draw < MOST_DRAWS; draw++) {
    const values: Record<string, Rational> = {};
    for (const [name, spec] of Object.entries(model.parameters)) values[name] = drawOne(spec, random);
    if (!(model.where ?? []).every((condition) => compileExpression(condition)(values) === true)) continue;
    for (const [name, expression] of Object.entries(model.derived ?? {})) {
      values[name] = numberFrom(expression, values);
    }
    return values;
  }
  throw new CoreError("bad-item-model", `No parameters satisfy the conditions of ${model.id}.`, {
    model: model.id,
    seed,
  });
}

/** The value of an expression that must be a number. */
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
