import type { BankName } from "./itemTypes";

/** A passage in a list, with how many items hang on it. */
export interface PassageLine {
  readonly id: string;
  readonly title: string;
  readonly topic: string;
  readonly bank: BankName;
  readonly words: number;
  /** Reading grade, the middle of three formulas; null where it is too short to say, or not English. */
  readonly readingGrade: number | null;
  readonly items: number;
}

export interface PassagesView {
  readonly passages: readonly PassageLine[];
  /** Offered no more, of banks that the reader may change. */
  readonly retired: readonly { readonly id: string; readonly title: string; readonly bank: string }[];
  readonly ownBanks: readonly BankName[];
}

/** A passage on its own page. */
export interface PassageView {
  readonly id: string;
  readonly title: string;
  readonly topic: string;
  readonly language: string;
  readonly paragraphs: readonly string[];
  readonly bank: BankName;
  readonly version: number;
  readonly mayChange: boolean;
  readonly isRetired: boolean;
  readonly readingGrade: number | null;
  readonly words: number;
  readonly items: readonly {
    readonly id: string;
    readonly line: string;
    readonly kind: string;
    readonly isDraft: boolean;
  }[];
  readonly versions: readonly { readonly number: number; readonly by: string; readonly when: string }[];
}
