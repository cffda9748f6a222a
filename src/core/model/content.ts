/** Teaching content that is no item: what a misconception is, a lesson, a reteach. */

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

export interface TaskWithAnswer {
  readonly task: string;
  readonly answer: string;
}

/** For teaching a skill the first time. */
export interface FirstTeaching {
  /** A question to open with. */
  readonly open: string;
  readonly worked: { readonly task: string; readonly steps: readonly string[] };
  /** A word problem. */
  readonly story: TaskWithAnswer;
  /** What to say and ask in a small group. */
  readonly talk: readonly string[];
  readonly words: readonly { readonly word: string; readonly means: string }[];
}

/** What a skill teaches beyond its lesson. */
export interface SkillTeaching {
  /** One line: what somebody can do who has it. */
  readonly meaning: string;
  readonly first: FirstTeaching;
  /** From a nudge to nearly all of it, for any item of the skill. */
  readonly hints: readonly [string, string, string];
  /** Sentences for students to complete; what is left out stands in square brackets. */
  readonly notes: readonly string[];
  /** The model to move that fits, by its kind, and how it stands at first. */
  readonly model: { readonly kind: string; readonly setting: Readonly<Record<string, unknown>> } | null;
}

/** All that a reteach may hold; how much of it fits a slot says `reteachParts`. */
export interface ReteachPlan {
  /** Wrong answers to look at, each with the misconception behind it. */
  readonly look: readonly { readonly misconceptionId: string; readonly work: string }[];
  readonly materials: string;
  readonly show: string;
  readonly ask: readonly string[];
  readonly together: TaskWithAnswer;
  readonly alone: TaskWithAnswer;
  /** For the longest slot: once more, a step harder. */
  readonly further: { readonly together: TaskWithAnswer; readonly alone: TaskWithAnswer };
  readonly exit: {
    readonly task: string;
    readonly answers: readonly { readonly answer: string; readonly means: string; readonly next: string }[];
  };
}
