/**
 * One option of a choice as content, under a stable id: values, as expressions, for the slots of the text that all options share; or
 * a text of its own, which says itself whether it is right.
 */
export interface OptionBody {
  readonly id: string;
  readonly values?: Readonly<Record<string, string>>;
  readonly text?: string;
  readonly right?: boolean;
  /** What somebody thinks who chooses it. */
  readonly misconceptionId?: string;
}

/** The options that a choice is made of. */
export interface OptionsBody {
  /** How an option with values is written, from its slots. */
  readonly option?: string;
  /** An independent condition on an option's slots that holds exactly for right options with values. */
  readonly right?: string;
  /** Whether values under 0 are something that somebody could mean; unless stated, wrong options with them are left out. */
  readonly negatives?: boolean;
  readonly options: readonly OptionBody[];
}

export interface DrawnOption {
  readonly id: string;
  readonly text: string;
  readonly right: boolean;
  readonly misconceptionId: string | null;
}
