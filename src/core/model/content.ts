/** Shipped and authored teaching content as data. Texts may hold `{name}` slots filled from an item's parameters. */

export interface ParameterRange {
  readonly from: number;
  readonly to: number;
  readonly step?: number;
}
export type ParameterSpec = ParameterRange | { readonly of: readonly number[] };

/** One answer option of a choice model: values for the option's slots, as expressions. */
export type OptionValues = Readonly<Record<string, string>>;

export interface PictureRow {
  readonly label: string;
  /** Expression for the number of squares drawn; at most 40 are drawn. */
  readonly count: string;
  /** Expression for the number of squares in one bundle, if they are bundled. */
  readonly per?: string;
}

interface ItemModelCommon {
  readonly id: string;
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
  /** A table in the stem: each row a label and its cells, as expressions; "?" is the cell asked for. */
  readonly table?: readonly { readonly label: string; readonly cells: readonly string[] }[];
}

export interface NumericItemModel extends ItemModelCommon {
  readonly kind: "numeric";
  readonly answer: string;
  /** An independent condition on `x` that holds exactly for right answers. */
  readonly right: string;
  /** Wrong values that reveal a misconception, by misconception id. */
  readonly misconceptions: readonly { readonly id: string; readonly value: string }[];
  /** The word after the answer box; "required" units must be typed by the student. */
  readonly unit?: { readonly word: string; readonly required: boolean };
  /** How the key is written when it is shown; a mixed number unless stated. */
  readonly answerFormat?: "fraction" | "decimal" | "money" | "mixed";
  /** Whether an equal value in another form counts: "any" or only lowest terms. */
  readonly form?: "any" | "lowest-terms";
}

export interface ChoiceItemModel extends ItemModelCommon {
  readonly kind: "choice";
  /** How an option is written, from its slots. */
  readonly option: string;
  /** An independent condition on an option's slots that holds exactly for right options. */
  readonly right: string;
  readonly key: OptionValues;
  readonly misconceptions: readonly { readonly id: string; readonly values: OptionValues }[];
  /** Wrong options without a known misconception, used to fill up to four options. */
  readonly fillers?: readonly OptionValues[];
}

export type ItemModel = NumericItemModel | ChoiceItemModel;

export interface Misconception {
  readonly id: string;
  /** Short name for teachers, in the past tense: what the student did. */
  readonly name: string;
  /** What it means and where it comes from, for teachers. */
  readonly explanation: string;
  /** What to say to the student, without numbers. */
  readonly feedback: string;
}

export interface Lesson {
  readonly idea: string;
  readonly example: string;
  readonly steps: readonly string[];
  readonly picture?: readonly { readonly label: string; readonly count: number; readonly per?: number }[];
}

export interface ReteachPlan {
  readonly materials: string;
  readonly show: string;
  readonly ask: readonly string[];
  readonly together: { readonly task: string; readonly answer: string };
  readonly alone: { readonly task: string; readonly answer: string };
  readonly exit: {
    readonly task: string;
    readonly answers: readonly { readonly answer: string; readonly means: string; readonly next: string }[];
  };
}

export interface SkillContent {
  readonly id: string;
  readonly name: string;
  /** The name that students see: no grade, no code. */
  readonly studentName: string;
  readonly grade: number;
  readonly standard: { readonly code: string; readonly statement: string };
  /** Place on the vertical scale in logits; 0 is the end of grade 6, about 0.5 a grade. */
  readonly difficulty: number;
  readonly prerequisites: readonly string[];
  /** Skills that are easily confused with this one. */
  readonly contrasts: readonly string[];
  readonly lesson: Lesson;
  readonly reteach: ReteachPlan;
  readonly models: readonly ItemModel[];
}
