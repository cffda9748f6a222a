import { type Rational, rational } from "../numeric/rational";
import { demandNumberRule, type NumberRule, type UnitRule } from "./numberRule";
import { type NumberReading, readNumber } from "./readNumber";
import { unitName } from "./unitName";

export type NumberProblem =
  | Extract<NumberReading, { ok: false }>["reason"]
  | "unit-missing"
  | "two-readings"
  | "not-lowest-terms"
  | "other-form";

export type NumberCheck =
  | { readonly verdict: "right"; readonly value: Rational }
  | { readonly verdict: "wrong"; readonly value: Rational }
  | { readonly verdict: "unreadable"; readonly reason: NumberProblem };

/**
 * Checks a typed number by its rule: value within the tolerance, in an accepted unit (converted exactly), written in an
 * accepted form. A right value in a form not asked for, or without the unit, is "unreadable", so that it can be mended
 * without losing a try, and so is one that is right only where its comma is a decimal one; a right number with the wrong unit is wrong. Throws "bad-argument" for a senseless rule.
 * @example checkNumber("6/8", { value: rational(3, 4) }).verdict // "right"
 */
export function checkNumber(answer: string, rule: NumberRule): NumberCheck {
  demandNumberRule(rule);
  const reading = readNumber(answer, rule.decimalMark);
  if (!reading.ok) return { verdict: "unreadable", reason: reading.reason };
  const units = rule.units ?? [];
  const unit = reading.unit === "" ? null : (units.find(({ word }) => sameUnit(reading.unit, word)) ?? "other");
  const factor = isRule(unit) ? unit.factor : unitName(reading.unit) === "%" ? HUNDREDTH : ONE;
  const value = reading.value.mul(factor);
  if (!isNear(value, rule)) {
    const other = reading.other?.mul(factor);
    if (other && isNear(other, rule)) return { verdict: "unreadable", reason: "two-readings" };
    return { verdict: "wrong", value };
  }
  // "5 kg" is no length; a word beside a number that needs no unit ("5 apples") says nothing against it.
  const isOfAnotherKind = unit === "other" && units.length > 0 && unitName(reading.unit) !== null;
  if (isOfAnotherKind || (unit === "other" && rule.unitRequired)) return { verdict: "wrong", value };
  if (rule.lowestTerms && !reading.lowestTerms) return { verdict: "unreadable", reason: "not-lowest-terms" };
  if (rule.forms && !rule.forms.includes(reading.form)) return { verdict: "unreadable", reason: "other-form" };
  if (unit === null && rule.unitRequired) return { verdict: "unreadable", reason: "unit-missing" };
  return { verdict: "right", value };
}

const ONE = rational(1);
/** A percent sign where no percent is asked for is part of the number: 50 % is one half. */
const HUNDREDTH = rational(1, 100);

const isRule = (unit: UnitRule | "other" | null): unit is UnitRule => unit !== null && unit !== "other";

function isNear(value: Rational, { value: wanted, tolerance }: NumberRule): boolean {
  const off = value.sub(wanted).abs();
  if (!tolerance) return off.equals(0);
  const most = tolerance.kind === "amount" ? tolerance.size : tolerance.size.mul(wanted.abs());
  return off.compare(most) <= 0;
}

/** Units are the same where they are one by name, or the same words but for case, spaces, a closing full stop and a plural s. */
function sameUnit(typed: string, wanted: string): boolean {
  const [one, other] = [unitName(typed), unitName(wanted)];
  if (one !== null || other !== null) return one === other;
  const bare = (word: string) =>
    word
      .toLowerCase()
      .replace(/[\s.]/g, "")
      .replace(/(?<=..)s$/, "");
  return bare(typed) === bare(wanted);
}
