import type { PlanLevel } from "@/core/model/planPlace";
import type { OriginalView } from "./originalTypes";
import type { PlanSlotView, PutInChoice } from "./types";

/** Plans that somebody can choose from, copy or work on. */
export interface PlansView {
  readonly plans: readonly PlanLine[];
  /** Years that ship, by subject and grade. */
  readonly years: readonly {
    readonly subjectId: string;
    readonly subject: string;
    readonly grade: number;
    readonly units: number;
    readonly weeks: number;
  }[];
  /** Classes whose own plan can be made into one. */
  readonly classes: readonly {
    readonly id: string;
    readonly name: string;
    readonly subjectId: string;
    readonly grade: number;
  }[];
  readonly putAway: readonly { readonly id: string; readonly name: string }[];
  /** May make plans of the school. */
  readonly coordinates: boolean;
  readonly school: string;
}

export interface PlanLine {
  readonly id: string;
  readonly name: string;
  /** A colleague, "you", or the school. */
  readonly whose: string;
  readonly ownerLeft: boolean;
  readonly subjectId: string;
  readonly subject: string;
  readonly grade: number;
  readonly slots: number;
  /** At five lessons a week. */
  readonly weeks: number;
  readonly level: PlanLevel | "look-after";
}

/** One plan that is no class's own. */
export interface SharedPlanView extends PlanLine {
  readonly rows: readonly PlanSlotView[];
  readonly original: OriginalView | null;
  /** Classes whose plan was copied from it. */
  readonly copies: number;
  readonly choice: PutInChoice;
  readonly rights: readonly {
    readonly id: string;
    readonly who: string;
    readonly level: PlanLevel;
    readonly hasLeft: boolean;
  }[];
  /** To whom it can be opened; none for those who do not look after it. */
  readonly colleagues: readonly { readonly id: string; readonly name: string }[];
  readonly schools: readonly { readonly id: string; readonly name: string }[];
  readonly history: readonly {
    readonly id: string;
    readonly when: string;
    readonly who: string;
    readonly what: string;
  }[];
}
