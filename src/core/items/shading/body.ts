import { array, object, string } from "yup";

/** A figure of equal parts of which a fraction is to be shaded. */
export interface ShadingBody {
  /** Expression for the number of parts, up to 100. */
  readonly parts: string;
  /** Expression for the parts in one row; all in one row unless stated. */
  readonly columns?: string;
  /** Expression for the fraction, 0 to 1. */
  readonly right: string;
  /** Fractions that reveal a misconception. */
  readonly misconceptions: readonly { readonly id: string; readonly value: string }[];
}

export interface DrawnShading {
  readonly parts: number;
  readonly columns: number;
  /** Parts to be shaded, whichever they are. */
  readonly right: number;
  readonly keyText: string;
  readonly misconceptionCounts: readonly { readonly id: string; readonly count: number }[];
}

export interface ShownShading {
  readonly parts: number;
  readonly columns: number;
}

/** Which parts are shaded, counted from 0 row by row. */
export interface ShadingResponse {
  readonly shaded: readonly number[];
}

export const shadingSchema = object({
  parts: string().required(),
  columns: string().optional(),
  right: string().required(),
  misconceptions: array(object({ id: string().required(), value: string().required() }).noUnknown()).required(),
});
