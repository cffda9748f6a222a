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
