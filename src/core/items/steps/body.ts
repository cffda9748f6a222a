import { array, object, string } from "yup";
import type { UsefulStep } from "../../answers/algebra/nextUsefulStep";
import type { SlipKind } from "../../answers/algebra/slip";

/** A line of algebra to be worked on in lines of one's own until nothing is left to do. */
export interface StepsBody {
  /** An equation or inequality to be solved, or an expression to be simplified, in one unknown; slots are filled. */
  readonly start: string;
  /** Slips that reveal a misconception; each kind once. */
  readonly misconceptions: readonly { readonly id: string; readonly slip: SlipKind }[];
}

export interface DrawnSteps {
  /** The last line of the way below. */
  readonly keyText: string;
  readonly start: string;
  /** One way from the start to the end, a line each; no other way is worth less. */
  readonly way: readonly UsefulStep[];
  readonly slips: StepsBody["misconceptions"];
}

export interface ShownSteps {
  readonly start: string;
}

/** Lines as they were typed, the given one left out. */
export interface StepsResponse {
  readonly lines: readonly string[];
}

/** Lines that a response may have; more than any way needs. */
export const MOST_LINES = 20;

/** Slips by which a misconception can be named. */
export const SLIP_KINDS = [
  "distribution",
  "sign",
  "inverse-operation",
  "direction",
  "arithmetic",
] as const satisfies readonly SlipKind[];

export const stepsSchema = object({
  start: string().required(),
  misconceptions: array(
    object({
      id: string().required(),
      slip: string()
        .oneOf([...SLIP_KINDS])
        .required(),
    }).noUnknown(),
  )
    .test(
      "slips-differ",
      ({ path }) => `${path}: slips-differ`,
      (all = []) => new Set(all.map(({ slip }) => slip)).size === all.length,
    )
    .required(),
});
