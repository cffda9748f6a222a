import { array, boolean, object, string } from "yup";

/** A piece of the text; with an id it can be selected. */
export interface PieceBody {
  readonly text: string;
  readonly id?: string;
  readonly right?: boolean;
  readonly misconceptionId?: string;
}

/** A text in which words or sentences are to be found. */
export interface SelectWordsBody {
  /** Put together as they stand, spaces included; slots are filled. */
  readonly text: readonly PieceBody[];
}

export interface DrawnPiece {
  readonly text: string;
  readonly id: string | null;
  readonly right: boolean;
  readonly misconceptionId: string | null;
}

export interface DrawnSelectWords {
  readonly pieces: readonly DrawnPiece[];
  readonly keyText: string;
}

/** What can be selected has its place among what can be. */
export interface ShownSelectWords {
  readonly pieces: readonly { readonly text: string; readonly place: string | null }[];
}

/** Stable ids of what was selected, in the order of the text. */
export interface SelectWordsResponse {
  readonly chosen: readonly string[];
}

export const selectWordsSchema = object({
  text: array(
    object({
      text: string().required(),
      id: string().optional(),
      right: boolean().optional(),
      misconceptionId: string().optional(),
    }).noUnknown(),
  )
    .min(2)
    .required(),
});
