import type { Rational } from "../numeric/rational";
import { demandNumberRule, type NumberRule, type UnitRule } from "./numberRule";
import { type NumberReading, readNumber } from "./readNumber";

export type NumberProblem =
  | Extract<NumberReading, { ok: false }>["reason"]
  | "unit-missing"
  | "not-lowest-terms"
  | "other-form";

export type NumberCheck =
  | { readonly verdict: "right"; readonly value: Rational }
  | { readonly verdict: "wrong"; readonly value: Rational }
  | { readonly verdict: "unreadable"; readonly reason: NumberProblem };

/**
 * Checks a typed number by its rule: value within the tolerance, in an accepted unit (converted exactly), written in an
 * accepted form. A right value in a form not asked for, or without the unit, is "unreadable", so that it can be mended
 * without losing a try; a right number with the wrong unit is wrong. Throws "bad-argument" for a senseless rule.
 * @example checkNumber("6/8", { value: rational(3, 4) }).verdict // "right"
 */
export function checkNumber(answer: string, rule: NumberRule): NumberCheck {
  demandNumberRule(rule);
  const reading = readNumber(answer);
  if (!reading.ok) return { verdict: "unreadable", reason: reading.reason };
  const units = rule.units ?? [];
  const unit = reading.unit === "" ? null : (units.find(({ word }) => sameUnit(reading.unit, word)) ?? "other");
  const value = reading.value.mul(isRule(unit) ? unit.factor : 1);
  if (!isNear(value, rule)) return { verdict: "wrong", value };
  if (unit === "other" && rule.unitRequired) return { verdict: "wrong", value };
  if (rule.lowestTerms && !reading.lowestTerms) return { verdict: "unreadable", reason: "not-lowest-terms" };
  if (rule.forms && !rule.forms.includes(reading.form)) return { verdict: "unreadable", reason: "other-form" };
  if (unit === null && rule.unitRequired) return { verdict: "unreadable", reason: "unit-missing" };
  return { verdict: "right", value };
}

const isRule = (unit: UnitRule | "other" | null): unit is UnitRule => unit !== null && unit !== "other";

function isNear(value: Rational, { value: wanted, tolerance }: NumberRule): boolean {
  const off = value.sub(wanted).abs();
  if (!tolerance) return off.equals(0);
  const most = tolerance.kind === "amount" ? tolerance.size : tolerance.size.mul(wanted.abs());
  return off.compare(most) <= 0;
}

/** Units are the same but for case, spaces, a closing full stop and a plural s. */
function sameUnit(typed: string, wanted: string): boolean {
  const bare = (word: string) => word.toLowerCase().replace(/[\s.]/g, "").replace(/s$/, "");
  return bare(typed) === bare(wanted);
}
