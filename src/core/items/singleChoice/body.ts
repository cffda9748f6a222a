import type { DrawnOption, OptionsBody } from "../options";
import { optionsSchema } from "../optionsSchema";

/** One right option among up to four. The first option of the body is the key. */
export type SingleChoiceBody = OptionsBody;

export interface DrawnSingleChoice {
  readonly options: readonly DrawnOption[];
  readonly keyText: string;
}

/** The stable id of the chosen option; empty before a choice. */
export interface SingleChoiceResponse {
  readonly option: string;
}

export const singleChoiceSchema = optionsSchema;
