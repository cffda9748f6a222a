import type { ExchangeRemark, ExchangeRemarkCode } from "@/core/items/exchangeRemark";
import type { ItemBody } from "@/core/items/itemBody";
import type { Passage } from "@/core/items/passage";

/** A standard as files name it: by its code, and by its identifier where it has one. */
export interface StandardName {
  readonly code: string;
  readonly caseId: string | null;
}

/** A text that items hang on, on its way into or out of a file. */
export interface ExchangePassage extends Passage {
  /** Stable in whatever it came from. */
  readonly id: string;
  readonly language: string;
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
  /** What it is asked about; null for none. */
  readonly passage: ExchangePassage | null;
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
