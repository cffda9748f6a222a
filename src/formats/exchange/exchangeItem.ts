import type { ItemBody } from "@/core/items/itemBody";

/** A standard as files name it: by its code, and by its identifier where it has one. */
export interface StandardName {
  readonly code: string;
  readonly caseId: string | null;
}

/** An item on its way into or out of a file. */
export interface ExchangeItem {
  /** Stable in whatever it came from. */
  readonly id: string;
  readonly title: string;
  readonly body: ItemBody;
  readonly depth: number | null;
  readonly calculator: boolean;
  readonly language: string;
  readonly skillIds: readonly string[];
  readonly standards: readonly StandardName[];
}

/** What could not be kept as it was, or why an item could not be taken at all. Worded for whoever reads it. */
export type ExchangeRemarkCode =
  // Taken, but not all of it.
  | "picture-left-out"
  | "media-left-out"
  | "formula-in-words"
  | "table-in-words"
  | "emphasis-lost"
  | "script-left-out"
  | "link-left-out"
  | "passage-in-stem"
  | "passage-missing"
  | "rubric-left-out"
  | "catalogue-left-out"
  | "feedback-left-out"
  | "scoring-made-anew"
  | "gaps-as-choices"
  | "longer-answer-left-out"
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

export interface ExchangeRemark {
  readonly code: ExchangeRemarkCode;
  /** What it is about: the name of an element, a key, a file. */
  readonly at?: string;
  readonly line?: number;
}

/** Notes something about the item that is being read. */
export type Note = (code: ExchangeRemarkCode, at?: string, line?: number) => void;

/** One item of a file, or why it is none. */
export interface ReadItem {
  /** The document that it stands in, or the row of a sheet. */
  readonly at: string;
  readonly title: string;
  readonly item: ExchangeItem | null;
  readonly remarks: readonly ExchangeRemark[];
  /** The document itself where not all of it was read; null where it was. */
  readonly original: string | null;
}
