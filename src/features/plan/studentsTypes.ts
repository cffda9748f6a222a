import type { PlanPace } from "@/core/model/planPlace";

/** Where each student of a class stands in its plan, and what it gives them next. */
export interface PlanStudentsView {
  readonly classId: string;
  readonly className: string;
  readonly mayChange: boolean;
  readonly runs: boolean;
  readonly pace: PlanPace;
  /** In whose name it gives; null while it does not run. */
  readonly runBy: string | null;
  /** Whether the school has said by which addresses a student is at school. */
  readonly tellsPlaces: boolean;
  /** Nothing that is left of the plan may be done at home, for anybody. */
  readonly nothingAtHome: boolean;
  /** Slots at which a student may begin. */
  readonly slots: readonly { readonly id: string; readonly title: string }[];
  readonly students: readonly PlanStudentView[];
}

export interface PlanStudentView {
  readonly id: string;
  readonly name: string;
  /** The slot at which the student begins; null for the first. */
  readonly startsAt: string | null;
  /** What comes next at school; null when nothing is open there. */
  readonly atSchool: NextView | null;
  readonly atHome: NextView | null;
  /** School days that the slot lies behind the dates of today (negative) or ahead of them. */
  readonly daysAhead: number;
  /** Of the counted skills, how many are mastered; null where nothing counts. */
  readonly done: { readonly done: number; readonly of: number } | null;
  /** Pieces finished since Monday, whoever gave them. */
  readonly pieces: number;
}

export interface NextView {
  readonly place: number;
  readonly slot: string;
  readonly skillId: string;
  readonly skill: string;
  /** The planned skill that it is needed for; null where it is planned itself. */
  readonly neededFor: string | null;
  readonly begun: boolean;
}
