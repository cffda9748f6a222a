import type { Weighing } from "@/core/measurement/averageOfMarks";
import type { WorkKind } from "@/core/model/work";

/** Which mark of practice counts: what was right at the first try, or how far its end was reached. */
export const MARK_BYS = ["first", "end"] as const;
export type MarkBy = (typeof MARK_BYS)[number];

export interface MarkColumn {
  readonly key: string;
  readonly workId: string;
  readonly partId: string;
  readonly title: string;
  readonly className: string;
  readonly kind: WorkKind;
  readonly isTest: boolean;
  readonly category: string;
  readonly due: string | null;
  /** Points of the whole piece. */
  readonly points: number;
  /** A test before teaching counts in no average. */
  readonly counts: boolean;
  /** Mean of the marks, exact; null without one. */
  readonly mean: string | null;
  readonly n: number;
  readonly atLine: number;
}

export interface MarkCell {
  /** "none": over, and nothing was handed in; "open": may still come in. */
  readonly state: "marked" | "excused" | "absent" | "none" | "nought" | "open" | "to-score";
  /** Exact ("7/10"). */
  readonly mark: string | null;
  readonly first: string | null;
  readonly best: string | null;
  readonly tries: number;
  readonly late: boolean;
}

export interface MarkRow {
  readonly id: string;
  readonly name: string;
  readonly className: string;
  /** Not in the class any more. */
  readonly left: boolean;
  /** In the order of the columns; null where it was not given. */
  readonly cells: readonly (MarkCell | null)[];
  readonly average: string | null;
  /** By category, in the order of the view's. */
  readonly byCategory: readonly (string | null)[];
}

export interface MarksView {
  readonly columns: readonly MarkColumn[];
  readonly rows: readonly MarkRow[];
  readonly categories: readonly string[];
  readonly weighing: Weighing;
  readonly by: MarkBy;
  readonly line: number;
  readonly average: string | null;
  readonly mayChange: boolean;
}
