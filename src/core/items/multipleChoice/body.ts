import type { DrawnOption, OptionsBody } from "../options";
import { optionsSchema } from "../optionsSchema";

/** Options of which one or more are right by the body's own condition; all of them are to be found. */
export type MultipleChoiceBody = OptionsBody;

export interface DrawnMultipleChoice {
  readonly options: readonly DrawnOption[];
  readonly keyText: string;
}

/** Stable ids of the chosen options, sorted. */
export interface MultipleChoiceResponse {
  readonly options: readonly string[];
}

export const multipleChoiceSchema = optionsSchema;
