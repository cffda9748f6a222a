import { array, mixed, object, string } from "yup";
import { namedTexts, type TellingText } from "../namedTexts";

/** A gap in a text, with what there is to choose for it. */
export interface GapBody {
  readonly id: string;
  readonly options: readonly TellingText[];
  /** Id of the right option. */
  readonly right: string;
}

/** A text with gaps, each filled from a few words of its own. */
export interface InlineChoiceBody {
  /** Text and gaps in their order; slots in the text are filled. */
  readonly text: readonly (string | { readonly gap: string })[];
  readonly gaps: readonly GapBody[];
}

export interface DrawnGap {
  readonly id: string;
  readonly options: readonly TellingText[];
  readonly right: string;
}

export interface DrawnInlineChoice {
  readonly text: readonly (string | { readonly gap: string })[];
  readonly gaps: readonly DrawnGap[];
  readonly keyText: string;
}

/** Gaps by their place in the text, options by letters. */
export interface ShownInlineChoice {
  readonly pieces: readonly (
    | { readonly text: string }
    | { readonly gap: string; readonly options: readonly { readonly letter: string; readonly text: string }[] }
  )[];
}

/** Option by gap, in stable ids. */
export interface InlineChoiceResponse {
  readonly choices: Readonly<Record<string, string>>;
}

export const inlineChoiceSchema = object({
  text: array(mixed().test("piece", "no-piece-of-text", isPiece))
    .min(1)
    .required(),
  gaps: array(object({ id: string().required(), options: namedTexts(2), right: string().required() }).noUnknown())
    .min(1)
    .required(),
});

function isPiece(value: unknown): boolean {
  if (typeof value === "string") return true;
  return typeof value === "object" && value !== null && typeof (value as { gap?: unknown }).gap === "string";
}
