import type { ReactNode } from "react";
import type { ItemKind } from "@/core/items/itemKind";
import type { PartView } from "../../types";

export interface ControlProps<Kind extends ItemKind, Value> {
  readonly part: PartView<Kind>;
  readonly value: Value;
  readonly set: (value: Value) => void;
  readonly locked: boolean;
  /** What the part is called to those who don't see it. */
  readonly label: string;
}

/** How one kind of part is answered on the screen. */
export interface PartControl<Kind extends ItemKind, Value> {
  readonly empty: Value;
  readonly Control: (props: ControlProps<Kind, Value>) => ReactNode;
  /** What keeps a value from being handed in; null when nothing does. Nothing is lost, and no try used up. */
  readonly problem: (value: Value, part: PartView<Kind>) => string | null;
  /** The value as it is sent. */
  readonly response: (value: Value) => object;
  /** What the button says, where the answer is not checked at once. */
  readonly handIn?: string;
  /** The value as it stands on the screen, to name it later. */
  readonly words: (value: Value, part: PartView<Kind>) => string;
}
