import type { LookedItem } from "@/core/items/lookOver";
import type { Passage } from "@/core/items/passage";
import type { Noted } from "@/core/model/noted";
import type { Facet, ItemOrder } from "./finderQuery";

/** A bank as pages name it. */
export interface BankName {
  /** "stock" for what every school has. */
  readonly id: string;
  readonly name: string;
}

/** An item in a list. */
export interface ItemLine {
  readonly id: string;
  readonly line: string;
  readonly kind: string;
  readonly skill: string;
  readonly grade: number | null;
  readonly bank: BankName;
  /** Title of the passage that it hangs on; empty for none. */
  readonly passage: string;
  readonly isDraft: boolean;
  readonly isModel: boolean;
  readonly depth: number | null;
  readonly author: string;
  /** First tries of students, whatever school. */
  readonly answered: number;
  /** What they earned of everything, in whole per cent; null where there are too few to say. */
  readonly sharePercent: number | null;
  /** Of the skill's own difficulty, in logits; null where none is known. */
  readonly harderBy: number | null;
  readonly isCalibrated: boolean;
  /** Whole seconds that it is expected to take. */
  readonly seconds: number;
  readonly mayChange: boolean;
}

export interface FacetValue {
  readonly value: string;
  readonly words: string;
  readonly items: number;
  readonly isChosen: boolean;
}

export interface FinderView {
  readonly total: number;
  readonly from: number;
  readonly items: readonly ItemLine[];
  readonly facets: Readonly<Record<Facet, readonly FacetValue[]>>;
  readonly order: ItemOrder;
  /** The standard that the search is narrowed to, with the skills that it leads to. */
  readonly standard: { readonly code: string; readonly statement: string } | null;
  /** Banks that something can be put into. */
  readonly ownBanks: readonly BankName[];
  /** Banks that the search covers when none is chosen. */
  readonly allBanks: readonly BankName[];
}

/** An item on its own page. */
export interface ItemPageView extends ItemLine {
  readonly looked: LookedItem | null;
  readonly passageText: PassageChoice | null;
  readonly mistakes: readonly { readonly words: string; readonly name: string }[];
  readonly skills: readonly { readonly id: string; readonly name: string; readonly codes: readonly string[] }[];
  readonly standards: readonly { readonly code: string; readonly statement: string }[];
  readonly language: string;
  readonly calculator: boolean;
  readonly isRetired: boolean;
  /** Items that are not given together with it. */
  readonly enemies: readonly { readonly id: string; readonly line: string; readonly mayChange: boolean }[];
  readonly difficulty: number | null;
  readonly discrimination: number | null;
  readonly versions: readonly {
    readonly id: string;
    readonly number: number;
    readonly isDraft: boolean;
    readonly by: string;
    readonly when: string;
    readonly students: number;
    readonly isShown: boolean;
  }[];
  readonly ownBanks: readonly BankName[];
}

/** Notes on a skill or an item, as one person reads them. */
export interface NotesView {
  readonly about: Noted;
  readonly aboutId: string;
  readonly own: { readonly text: string; readonly shared: boolean };
  /** Those that colleagues share. */
  readonly shared: readonly {
    readonly id: string;
    readonly by: string;
    readonly when: string;
    readonly text: string;
  }[];
}

/** A skill to be chosen from all of them. */
export interface SkillChoice {
  readonly id: string;
  readonly name: string;
  readonly grade: number;
  readonly code: string;
}

interface StandardChoice {
  readonly id: string;
  readonly code: string;
  readonly statement: string;
}

/** A passage with its words. */
export interface PassageChoice extends Passage {
  readonly id: string;
}

/** What the editor starts from. */
export interface EditorView {
  readonly itemId: string;
  readonly bank: BankName;
  readonly ownBanks: readonly BankName[];
  readonly isNew: boolean;
  /** The version in use; null where there is none yet. */
  readonly versionInUse: number | null;
  readonly studentsInUse: number;
  readonly draft: {
    readonly revision: number;
    readonly body: object;
    readonly depth: number | null;
    readonly calculator: boolean;
    readonly language: string;
    readonly skillIds: readonly string[];
    readonly standardIds: readonly string[];
    readonly passageId: string | null;
  };
  /** What the draft hangs on, as it is read now. */
  readonly passage: PassageChoice | null;
  /** What there is to hang on, what it hangs on included. */
  readonly passages: readonly { readonly id: string; readonly title: string }[];
  readonly skills: readonly SkillChoice[];
  /** Those that the draft is written for beyond those of its skills. */
  readonly standards: readonly StandardChoice[];
  /** Those of the frameworks that the school follows. */
  readonly standardChoices: readonly StandardChoice[];
  readonly misconceptions: readonly { readonly id: string; readonly name: string }[];
}
