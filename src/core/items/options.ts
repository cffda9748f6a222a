/** One option of a choice as content: a stable id, and values for the slots of its text, as expressions. */
export interface OptionBody {
  readonly id: string;
  readonly values: Readonly<Record<string, string>>;
  /** What somebody thinks who chooses it. */
  readonly misconceptionId?: string;
}

/** The options that a choice is made of. */
export interface OptionsBody {
  /** How an option is written, from its slots. */
  readonly option: string;
  /** An independent condition on an option's slots that holds exactly for right options. */
  readonly right: string;
  readonly options: readonly OptionBody[];
}

export interface DrawnOption {
  readonly id: string;
  readonly text: string;
  readonly right: boolean;
  readonly misconceptionId: string | null;
}
