/** An item of a run as the live board shows it. */
export type LiveItem = "right" | "wrong" | "answered" | "aside" | "open";

/** A student on the live board. */
export interface LiveRow {
  readonly id: string;
  readonly name: string;
  /** "between": done with one part, and not with all; "quiet" and "wrong-in-row": held up now. */
  readonly state: "not-started" | "working" | "wrong-in-row" | "quiet" | "away" | "between" | "finished" | "excused";
  /** The part they are at, where there are several. */
  readonly part: string;
  readonly items: readonly LiveItem[];
  readonly itemsDone: number;
  readonly mostItems: number;
  /** Whole minutes since the last answer; null before the first and after the end. */
  readonly quietMinutes: number | null;
  /** The time where it was today, else the day; null before. */
  readonly finishedAt: string | null;
  /** Of the student's own time; null without one. */
  readonly minutesLeft: number | null;
}

export interface LiveView {
  readonly id: string;
  readonly title: string;
  readonly isPaused: boolean;
  /** The school's time. */
  readonly at: string;
  readonly rows: readonly LiveRow[];
}
