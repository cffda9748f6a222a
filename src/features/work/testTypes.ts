import type { PictureStrip } from "@/core/items/drawItem";
import type { Passage } from "@/core/items/passage";
import type { ItemParameters } from "@/core/measurement/item";

/** An item as its students will see it. */
export interface FaceOfItem {
  readonly stem: string;
  readonly images: readonly { readonly picture: string; readonly alt: string }[];
  readonly table: readonly { readonly label: string; readonly cells: readonly string[] }[];
  readonly parts: readonly {
    readonly id: string;
    readonly kind: string;
    readonly prompt: string | null;
    readonly shown: unknown;
  }[];
  readonly passage: Passage | null;
}

/** An item of a test that is being built: one draw. */
export interface TestItem {
  /** Of the draw: the same item with other numbers is another. */
  readonly id: string;
  readonly itemId: string;
  readonly skillId: string;
  readonly seed: number;
  /** Points that its own parts weigh. */
  readonly points: number;
  readonly line: string;
  readonly kind: string;
  readonly key: string;
  readonly solution: string;
  readonly picture: readonly PictureStrip[];
  readonly face: FaceOfItem;
  /** The chance that somebody of the class has it right, 0 to 1. */
  readonly chance: number;
  readonly seconds: number;
  readonly parameters: ItemParameters;
}

/** The class as a test meets it: ability on the subject's scale, in logits. */
export interface GroupAbility {
  readonly mean: number;
  readonly sd: number;
}

export interface TestProposal {
  readonly forms: readonly (readonly TestItem[])[];
  /** "quick": found at once, a better one may come; "best" and "good" were searched for. */
  readonly quality: "quick" | "good" | "best" | "none";
  /** Wishes that can't be met, each as a sentence. */
  readonly problems: readonly string[];
  readonly group: GroupAbility;
  /** On the scale: where the test tells most. */
  readonly cut: number;
  /** How many items there are to choose from, by skill. */
  readonly available: Readonly<Record<string, number>>;
}
