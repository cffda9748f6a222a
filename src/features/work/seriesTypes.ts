import type { SeriesDay, SeriesRules } from "@/core/model/series";
import type { WorkKind } from "@/core/model/work";

/** A series in the list of work. */
export interface SeriesLine {
  readonly id: string;
  readonly title: string;
  readonly kind: WorkKind;
  readonly className: string;
  readonly rules: SeriesRules;
  readonly nextDay: string;
}

/** A piece that a series gave. */
export interface SeriesPiece {
  readonly id: string;
  readonly day: string;
  readonly title: string;
  readonly given: number;
  readonly through: number;
  /** Right at the first try of all that was answered, whole per cent; null before the first answer. */
  readonly sharePercent: number | null;
}

export interface SeriesView {
  readonly id: string;
  readonly title: string;
  readonly kind: WorkKind;
  readonly rules: SeriesRules;
  readonly className: string;
  readonly owner: string;
  /** Where it always asks the same. */
  readonly skills: readonly string[];
  readonly ended: boolean;
  readonly coming: readonly SeriesDay[];
  readonly pieces: readonly SeriesPiece[];
  /** Students with what they did in each piece, in order; null where it was not given to them. */
  readonly rows: readonly {
    readonly id: string;
    readonly name: string;
    readonly cells: readonly ({ readonly done: number; readonly right: number } | null)[];
  }[];
}
