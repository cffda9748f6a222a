/** The plan that another was copied from, and what became of it since. */
export interface OriginalView {
  readonly name: string;
  /** Why nothing more is told of it; null where it is open to the asking person. */
  readonly closed: string | null;
  readonly changes: readonly LaterChangeView[];
}

export interface LaterChangeView {
  readonly originId: string;
  readonly what: "changed" | "new" | "gone";
  readonly title: string;
  /** How the slot stands here; null for a new one. */
  readonly here: string | null;
  /** How it stands in the original; null for one that is gone. */
  readonly there: string | null;
  /** It was changed here too. */
  readonly clash: boolean;
}
