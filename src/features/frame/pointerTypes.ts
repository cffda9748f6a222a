/** One view that a colleague was pointed to, as its sender or its receiver sees it. */
export interface PointerView {
  readonly id: string;
  /** Who pointed to it; for the sender, who was pointed to it. */
  readonly name: string;
  readonly sentence: string;
  readonly path: string;
  /** By when, in words. */
  readonly dayWords: string;
  /** The day has come. */
  readonly isDue: boolean;
  readonly isDone: boolean;
}

/** What the dialog shows: who could be pointed to a view of these classes, and what became of earlier pointers. */
export interface PointersView {
  readonly today: string;
  readonly colleagues: readonly { readonly id: string; readonly name: string }[];
  readonly sent: readonly PointerView[];
}
