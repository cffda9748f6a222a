import type { PlanPlace } from "@/core/model/planPlace";
import type { UnitMoment } from "@/core/model/unit";
import type { OriginalView } from "./originalTypes";

export interface PlanView {
  readonly classId: string;
  readonly className: string;
  /** May change it; others look on. */
  readonly mayChange: boolean;
  /** Students are given what comes next without anybody assigning it. */
  readonly runs: boolean;
  readonly position: { readonly text: string; readonly short: string; readonly daysAhead: number };
  /** Of the counted part, how many of the skills half the class have; null where nothing counts. */
  readonly done: { readonly done: number; readonly of: number } | null;
  readonly slots: readonly PlanSlotView[];
  /** Today and the terms of the school as day numbers, for the picture of the year. */
  readonly year: {
    readonly today: number;
    readonly terms: readonly {
      readonly id: string;
      readonly name: string;
      readonly from: number;
      readonly to: number;
    }[];
  };
  /** Skills with a lesson this week, with the last day of each. */
  readonly thisWeek: readonly { readonly id: string; readonly name: string; readonly until: string }[];
  /** The slot that begins next with what it builds on, so that a gap is seen before it begins; null when none lies ahead. */
  readonly comes: {
    readonly title: string;
    readonly from: string;
    readonly buildsOn: readonly {
      readonly id: string;
      readonly name: string;
      readonly grade: number;
      /** Students seen to try it and not Secure, and those of whom too little is known. */
      readonly lacking: number;
      readonly unknown: number;
      readonly students: number;
    }[];
    /** Skills and length of a look at it; null where it builds on nothing. */
    readonly check: { readonly skillIds: readonly string[]; readonly items: number } | null;
  } | null;
  /** What comes before what it builds on, with the place that mends it. */
  readonly faults: readonly {
    readonly slotId: string;
    readonly version: number;
    readonly skill: string;
    readonly buildsOn: string;
    readonly laterSlot: string;
    readonly repairPlace: number;
  }[];
  /** Other classes of the actor's in the same subject, whose plans may be changed along with it. */
  readonly sisters: readonly { readonly id: string; readonly name: string }[];
  readonly choice: PlanChoice;
  readonly putIn: PutInChoice;
  /** The plan that it was copied from, with what changed there since. */
  readonly original: OriginalView | null;
}

/** What can be put into a plan: units and skills of its subject that are not planned, and tests of planned units. */
export interface PutInChoice {
  readonly units: readonly { readonly id: string; readonly name: string; readonly grade: number }[];
  readonly skills: readonly { readonly id: string; readonly name: string; readonly grade: number }[];
  readonly tests: readonly {
    readonly unitId: string;
    readonly moment: UnitMoment;
    readonly name: string;
    readonly grade: number;
  }[];
  /** Work that is kept. */
  readonly works: readonly { readonly id: string; readonly name: string }[];
}

/** What a year's plan can be chosen from. */
export interface PlanChoice {
  readonly subjects: readonly {
    readonly id: string;
    readonly name: string;
    readonly grades: readonly { readonly grade: number; readonly units: number; readonly weeks: number }[];
  }[];
  /** Plans of persons and schools in what the class is taught, those of its grade first. */
  readonly plans: readonly {
    readonly id: string;
    readonly name: string;
    readonly whose: string;
    readonly subjectId: string;
    readonly grade: number;
    readonly slots: number;
    readonly weeks: number;
  }[];
  readonly subjectId: string;
  readonly grade: number;
  readonly firstDay: string;
  readonly weekdays: readonly number[];
}

export interface PlanSlotView {
  readonly id: string;
  readonly version: number;
  readonly title: string;
  readonly kind: "unit" | "skills" | "work" | "text";
  readonly unitId: string | null;
  /** Of a test: what it asks about and how long it is; null for everything else. */
  readonly test: {
    readonly skillIds: readonly string[];
    readonly names: readonly string[];
    readonly items: number;
  } | null;
  /** Of kept work: the assignment from which it is given again; null for everything else. */
  readonly againId: string | null;
  /** The library holds nothing of it any more. */
  readonly isGone: boolean;
  readonly lessons: number;
  readonly skipped: boolean;
  readonly counted: boolean;
  readonly whereAt: PlanPlace;
  /** A day of its own, which it waits for. */
  readonly ownDay: string | null;
  /** In words; null where it has none. */
  readonly days: { readonly from: string; readonly to: string } | null;
  /** The same as day numbers, for drawing. */
  readonly span: { readonly from: number; readonly to: number } | null;
  readonly place: "past" | "now" | "ahead" | "none";
  /** The first slot that ends after the last term that the school has: there are no holidays known from here on. */
  readonly isBeyondTerms: boolean;
  /** Takes more lessons than any term of the school has for the class. */
  readonly isLongerThanTerm: boolean;
  readonly skills: readonly PlannedSkillView[];
}

export interface PlannedSkillView {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly grade: number;
  readonly days: string;
  readonly secure: number;
  /** Secure now, or mastered at some time. */
  readonly there: number;
  readonly developing: number;
  readonly beginning: number;
  readonly tooLittle: number;
  readonly students: number;
  readonly reached: boolean;
}

/** A slot that begins soon in a class that lacks something it builds on. */
export interface ComingGap {
  readonly classId: string;
  readonly className: string;
  readonly title: string;
  /** The day in words. */
  readonly from: string;
  readonly skillId: string;
  readonly skill: string;
  /** Students below Secure, of those of whom enough is known. */
  readonly lacking: number;
  readonly known: number;
}
