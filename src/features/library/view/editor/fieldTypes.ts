/** One thing that is filled in for a part, by where it stands in the part's body. */
export type Field =
  | { readonly type: "text" | "expression"; readonly name: string; readonly label: string; readonly help?: string }
  /** An order of the part's members, typed as their places. */
  | { readonly type: "sequence"; readonly name: string; readonly label: string; readonly help: string }
  | { readonly type: "check"; readonly name: string; readonly label: string }
  | { readonly type: "misconception"; readonly name: string; readonly label: string }
  | {
      readonly type: "choice";
      readonly name: string;
      readonly label: string;
      readonly options: readonly (readonly [string, string])[];
    }
  | {
      readonly type: "list";
      readonly name: string;
      readonly label: string;
      /** What one more is called on the button. */
      readonly add: string;
      readonly of: readonly Field[];
      /** A new row; `id` makes one that no other row has. */
      readonly blank: (id: () => string) => object;
      readonly least: number;
    }
  /** Fields that are seldom needed; shown when they are asked for, or filled in. */
  | { readonly type: "more"; readonly name: string; readonly label: string; readonly of: readonly Field[] }
  /** Texts without names, such as spellings that count as right. */
  | { readonly type: "texts"; readonly name: string; readonly label: string; readonly add: string }
  /** A text whose pieces are written between brackets. */
  | { readonly type: "gapText" | "selectText"; readonly name: string; readonly label: string; readonly help: string }
  | { readonly type: "mark"; readonly name: string; readonly label: string };

/** What a kind of part is filled in with, and how a new one begins. */
export interface PartForm {
  readonly fields: readonly Field[];
  readonly blank: object;
}
