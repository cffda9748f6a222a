import { array, boolean, mixed, object, string } from "yup";
import type { Rational } from "../../numeric/rational";

/** A mark on a number line as content: a point, or an interval whose open side may go on without end. Values are expressions. */
export type LineMarkBody =
  | { readonly point: string }
  | {
      readonly low: string | null;
      readonly high: string | null;
      /** Whether the ends belong to it. */
      readonly withLow: boolean;
      readonly withHigh: boolean;
    };

/** A number line on which a point or an interval is to be marked. */
export interface NumberLineBody {
  readonly from: string;
  readonly to: string;
  /** Distance of the places that can be marked. Written as a decimal ("0.02"), it makes the line write decimals, otherwise mixed numbers. */
  readonly step: string;
  /** Every so many places a tick carries its number; each tick unless stated. */
  readonly labelEvery?: string;
  readonly right: LineMarkBody;
  /** Marks that reveal a misconception. */
  readonly misconceptions: readonly { readonly id: string; readonly mark: LineMarkBody }[];
}

/** A mark by the places of the line, counted from 0; null where an interval goes on without end. */
export type LineMark =
  | { readonly point: number }
  | {
      readonly low: number | null;
      readonly high: number | null;
      readonly withLow: boolean;
      readonly withHigh: boolean;
    };

export interface DrawnNumberLine {
  readonly from: Rational;
  readonly step: Rational;
  readonly format: "mixed" | "decimal";
  /** Places that can be marked. */
  readonly places: number;
  readonly labelEvery: number;
  readonly right: LineMark;
  readonly keyText: string;
  readonly misconceptionMarks: readonly { readonly id: string; readonly mark: LineMark }[];
}

export interface ShownNumberLine {
  readonly task: "point" | "interval";
  /** The number at each place, and which of them are written. */
  readonly numbers: readonly string[];
  readonly labelEvery: number;
}

export interface NumberLineResponse {
  readonly mark: LineMark;
}

const end = () => string().nullable().defined();
const interval = object({ low: end(), high: end(), withLow: boolean().required(), withHigh: boolean().required() })
  .noUnknown()
  .strict();
const point = object({ point: string().required() }).noUnknown().strict();

const mark = () =>
  mixed()
    .test("mark", "no-mark", (value) => point.isValidSync(value) || interval.isValidSync(value))
    .required();

export const numberLineSchema = object({
  from: string().required(),
  to: string().required(),
  step: string().required(),
  labelEvery: string().optional(),
  right: mark(),
  misconceptions: array(object({ id: string().required(), mark: mark() }).noUnknown()).required(),
});
