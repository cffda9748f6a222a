import type { DecimalMark } from "../model/decimalMark";
import { demandThat } from "../model/fail";
import type { Rational } from "../numeric/rational";
import type { NumberForm } from "./readNumber";

/** A unit an answer may carry, and how many of the wanted unit one of it is: kilometres for metres 1000. */
export interface UnitRule {
  readonly word: string;
  readonly factor: Rational;
}

/** What counts as the right number. */
export interface NumberRule {
  readonly value: Rational;
  /** How far off may still be right: by an amount, or by a share of the value; exact without it. */
  readonly tolerance?: { readonly kind: "amount" | "share"; readonly size: Rational };
  /** Ways of writing that are accepted; any without it. */
  readonly forms?: readonly NumberForm[];
  readonly lowestTerms?: boolean;
  /** Units accepted, the wanted one first; `unitRequired`: a number alone is not enough. */
  readonly units?: readonly UnitRule[];
  readonly unitRequired?: boolean;
  /** The decimal mark where the answer was typed; a point without it. */
  readonly decimalMark?: DecimalMark;
}

/**
 * Throws "bad-argument" for a negative tolerance, an empty choice of forms, or a unit that is worth nothing.
 * @example demandNumberRule({ value: rational(3, 4) }) // undefined
 */
export function demandNumberRule({ tolerance, forms, units }: NumberRule): void {
  demandThat(
    (!tolerance || tolerance.size.compare(0) >= 0) &&
      (!forms || forms.length > 0) &&
      (units ?? []).every(({ factor }) => factor.compare(0) > 0),
    "A rule needs a tolerance of 0 or more, a form if forms are limited, and units worth more than 0.",
  );
}
