import type { ExpressionBody } from "./expression/body";
import type { GridBody } from "./grid/body";
import type { InlineChoiceBody } from "./inlineChoice/body";
import type { ItemKind } from "./itemKind";
import type { MatchingBody } from "./matching/body";
import type { MultipleChoiceBody } from "./multipleChoice/body";
import type { NumberBody } from "./number/body";
import type { NumberLineBody } from "./numberLine/body";
import type { OrderBody } from "./order/body";
import type { SelectWordsBody } from "./selectWords/body";
import type { ShadingBody } from "./shading/body";
import type { ShortTextBody } from "./shortText/body";
import type { SingleChoiceBody } from "./singleChoice/body";
import type { StepsBody } from "./steps/body";
import type { WrittenBody } from "./written/body";

export interface ParameterRange {
  readonly from: number;
  readonly to: number;
  readonly step?: number;
}
export type ParameterSpec = ParameterRange | { readonly of: readonly number[] };

export interface PictureRow {
  readonly label: string;
  /** Expression for the number of squares drawn; at most 40 are drawn. */
  readonly count: string;
  /** Expression for the number of squares in one bundle, if they are bundled. */
  readonly per?: string;
}

/** A picture that an item shows, with what it says to those who don't see it. */
export interface ItemImage {
  /** SHA-256 of its bytes, in hexadecimal digits. */
  readonly picture: string;
  /** Slots are filled. */
  readonly alt: string;
}

/** What each kind of part needs to be drawn and checked. */
export interface BodyOf {
  readonly number: NumberBody;
  readonly "single-choice": SingleChoiceBody;
  readonly "multiple-choice": MultipleChoiceBody;
  readonly "short-text": ShortTextBody;
  readonly "inline-choice": InlineChoiceBody;
  readonly order: OrderBody;
  readonly matching: MatchingBody;
  readonly "select-words": SelectWordsBody;
  readonly "number-line": NumberLineBody;
  readonly grid: GridBody;
  readonly shading: ShadingBody;
  readonly expression: ExpressionBody;
  readonly steps: StepsBody;
  readonly written: WrittenBody;
}

/** What every part has, whatever its kind. */
export interface PartFrame {
  /** Short and stable within the item; responses and scores name it. */
  readonly id: string;
  /** What is asked here, where the stem does not say it. */
  readonly prompt?: string;
  /** Whole points that the part is worth in a mark; 1 unless stated. */
  readonly points?: number;
  /** Skills that the part tells about; the one that the item was chosen for unless stated. */
  readonly skillIds?: readonly string[];
}
export type PartBody = { [Kind in ItemKind]: PartFrame & { readonly kind: Kind } & BodyOf[Kind] }[ItemKind];

/**
 * The content of one version of an item: parameters that make many items of it, what is told around them, and its parts.
 * Texts may hold `{name}` slots filled from the parameters and the story. An item without parameters is always the same.
 */
export interface ItemBody {
  /** Whole-number ranges from which parameters are drawn. */
  readonly parameters: Readonly<Record<string, ParameterSpec>>;
  /** Conditions that a draw must satisfy. */
  readonly where?: readonly string[];
  /** Further values worked out from the parameters, in order. */
  readonly derived?: Readonly<Record<string, string>>;
  readonly stem: string;
  /** Variants of the story; each fills the same word slots. */
  readonly contexts: Readonly<Record<string, Readonly<Record<string, string>>>>;
  /** Places on the vertical scale, in logits, relative to the skill's own difficulty. */
  readonly difficultyOffset: string;
  readonly discrimination?: number;
  readonly hint: string;
  /** The worked solution with the item's own numbers. */
  readonly solution: string;
  readonly picture?: readonly PictureRow[];
  /** Shown under the stem, in this order. */
  readonly images?: readonly ItemImage[];
  /** A table in the stem: each row a label and its cells, as expressions; "?" is the cell asked for. */
  readonly table?: readonly { readonly label: string; readonly cells: readonly string[] }[];
  readonly parts: readonly PartBody[];
}

/** One version of an item, which never changes once somebody was given it. */
export interface ItemVersion {
  readonly id: string;
  readonly itemId: string;
  readonly body: ItemBody;
  /** The text that it is asked about; null or absent for none. */
  readonly passageId?: string | null;
}
