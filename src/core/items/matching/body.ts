import { array, object, string } from "yup";
import { isUnique, type NamedText, namedTexts } from "../namedTexts";

/** Things that each belong to one of a few partners; where several belong to one, they are sorted. */
export interface MatchingBody {
  readonly things: readonly (NamedText & { readonly partner: string })[];
  readonly partners: readonly NamedText[];
  /** A thing with a partner that reveals a misconception. */
  readonly misconceptions: readonly { readonly id: string; readonly thing: string; readonly partner: string }[];
}

export interface DrawnMatching {
  readonly things: readonly NamedText[];
  /** In the order of showing. */
  readonly partners: readonly NamedText[];
  /** Partner by thing. */
  readonly wanted: Readonly<Record<string, string>>;
  readonly keyText: string;
  readonly misconceptionPairs: MatchingBody["misconceptions"];
}

/** Things by their place, partners by letters. */
export interface ShownMatching {
  readonly things: readonly { readonly place: string; readonly text: string }[];
  readonly partners: readonly { readonly letter: string; readonly text: string }[];
}

/** Partner by thing, in stable ids. */
export interface MatchingResponse {
  readonly pairs: Readonly<Record<string, string>>;
}

export const matchingSchema = object({
  things: array(
    object({ id: string().required(), text: string().required(), partner: string().required() }).noUnknown(),
  )
    .min(2)
    .test("different-ids", "ids-not-unique", (things) => isUnique((things ?? []).map(({ id }) => id)))
    .required(),
  partners: namedTexts(2),
  misconceptions: array(
    object({ id: string().required(), thing: string().required(), partner: string().required() }).noUnknown(),
  ).required(),
});
