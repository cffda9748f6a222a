import type { RosterRemark } from "../roster/rosterRemark";

/** What could not be kept as it was, or why an item could not be taken at all. Worded for whoever reads it. */
export type ExchangeRemarkCode =
  // Taken, but not all of it.
  | "picture-left-out"
  | "picture-without-words"
  | "media-left-out"
  | "formula-in-words"
  | "table-in-words"
  | "emphasis-lost"
  | "script-left-out"
  | "link-left-out"
  | "passage-missing"
  | "rubric-left-out"
  | "catalogue-left-out"
  | "feedback-left-out"
  | "scoring-made-anew"
  | "gaps-as-choices"
  | "changed-elsewhere"
  | "no-such-standard"
  | "rule-not-read"
  // Not taken.
  | "no-question"
  | "no-key"
  | "several-keys"
  | "key-not-a-number"
  | "kind-not-known"
  | "draws-its-numbers"
  | "adapts-itself"
  | "file-missing"
  | "not-an-item"
  | "not-text"
  | "not-xml"
  | "own-entities"
  | "too-deep"
  | "too-much"
  | "id-twice"
  | "body-unsound"
  | "option-missing"
  | "key-not-an-option";

/** What keeps an item of a file from use as things stand in a library. */
export type ImportRemarkCode =
  | "no-skill"
  | "no-such-skill"
  | "does-not-draw"
  | "takes-too-long"
  | "mistake-not-known"
  | "has-open-draft";

export interface ExchangeRemark {
  readonly code: ExchangeRemarkCode;
  /** What it is about: the name of an element, a key, a file. */
  readonly at?: string;
  readonly line?: number;
}

/** Why a file of items can't be read at all. */
export type ItemFileProblem =
  | { readonly kind: "zip" | "sheet"; readonly remark: RosterRemark }
  | { readonly kind: "no-manifest" | "no-items" | "columns-not-known" }
  | { readonly kind: "bad-manifest"; readonly line: number }
  | { readonly kind: "too-many-items"; readonly items: number; readonly most: number };
