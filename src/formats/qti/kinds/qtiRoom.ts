import type { ExchangeRemarkCode } from "@/core/items/exchangeRemark";
import type { PartBody } from "@/core/items/itemBody";
import type { ItemKind } from "@/core/items/itemKind";
import type { DrawnOf } from "@/core/items/rooms";
import type { Note } from "../../exchange/exchangeItem";
import type { FoundResponse } from "../readProcessing";
import type { WrittenResponse } from "../response";
import type { Xml } from "../xml/xml";

export type PartOf<Kind extends ItemKind> = Extract<PartBody, { readonly kind: Kind }>;

/** What is written of a part: its question with the interaction, and the variables that it answers. */
export interface WrittenPart {
  readonly content: readonly Xml[];
  readonly responses: readonly WrittenResponse[];
  /** A drawing that the interaction stands on, under the name by which it refers to it. */
  readonly picture?: { readonly name: string; readonly svg: string };
}

/** A part as it is found in a document. */
export interface FoundPart {
  readonly id: string;
  /** Its interactions, in the order of the document. */
  readonly interactions: readonly Xml[];
  /** Blocks that hold them and the words between. */
  readonly content: readonly Xml[];
  /** Notes for whoever scores it. */
  readonly rubric: readonly Xml[];
  /** What the item is worth as it says itself; null where it does not. */
  readonly points: number | null;
  readonly responseTo: (interaction: Xml) => FoundResponse;
  /** Words of an element, as a text of an item. */
  readonly words: (element: Xml) => string;
  readonly note: Note;
}

export class Unreadable extends Error {
  constructor(
    readonly code: ExchangeRemarkCode,
    readonly at?: string,
  ) {
    super(code);
  }
}

/** How a kind of part is written as an interaction of the standard, and read back. */
export interface QtiRoom<Kind extends ItemKind> {
  /** Names of what is drawn (a picture) begin with `name`. */
  readonly write: (part: PartOf<Kind>, drawn: DrawnOf[Kind], frame: WriteFrame) => WrittenPart;
  /** Whether other programs take fewer answers for right than are right here; they never do unless stated. */
  readonly isNarrower?: (part: PartOf<Kind>) => boolean;
  /** What the kind needs of the part. Throws `Unreadable` where there is no key, or one that is none. */
  readonly read: (found: FoundPart) => Omit<PartOf<Kind>, "id" | "prompt" | "points" | "skillIds">;
}

export interface WriteFrame {
  readonly id: string;
  readonly prompt: string | null;
  /** Of the item, for files that belong to it. */
  readonly itemName: string;
}

/** The only interaction of a part. */
export function only({ interactions }: FoundPart): Xml {
  const [first] = interactions;
  if (!first) throw new Unreadable("no-question");
  return first;
}
