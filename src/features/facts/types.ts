import type { FactsToDrill } from "@/core/fluency/factsToDrill";
import type { PlacementAnswer } from "@/core/fluency/placeFacts";
import type { FactSettings, OwnFactSettings } from "@/core/model/factSettings";

/** One answer on its way to the server; the key makes sending it twice harmless. */
export interface FactMessage {
  readonly key: string;
  readonly kind: "copy" | "place" | "drill";
  /** Id of the fact; of a copied number the number. */
  readonly fact: string;
  readonly given: number | null;
  readonly milliseconds: number;
  /** By the server's clock, as the browser reckons it. */
  readonly at: number;
}

/** What the day has come to so far. */
export interface FactsToday {
  readonly seconds: number;
  readonly inTime: number;
  readonly goal: number;
  readonly newlyFluent: readonly string[];
}

/** Everything that a session needs; the browser goes on with it alone. */
export interface FactSession {
  readonly personId: string;
  readonly serverNow: number;
  readonly settings: FactSettings;
  /** Seconds a digit; null until it was measured, or when that is too long ago. */
  readonly secondsPerDigit: number | null;
  /** Numbers to copy, where typing is to be measured. */
  readonly copies: readonly number[];
  readonly placement: readonly PlacementAnswer[];
  readonly drill: FactsToDrill;
  readonly today: FactsToday;
  readonly readsAloud: boolean;
}

export interface KnownFamily {
  readonly id: string;
  readonly known: number;
  /** Answered in time of late, but not known by heart yet. */
  readonly onTheWay: number;
  readonly of: number;
}

export interface FactDayView {
  readonly day: string;
  readonly minutes: number;
  readonly inTime: number;
  readonly goalMet: boolean;
}

/** A student's own page. */
export interface OwnFacts {
  readonly serverNow: number;
  readonly personId: string;
  readonly settings: FactSettings;
  readonly today: FactsToday;
  readonly begun: boolean;
  readonly families: readonly KnownFamily[];
  /** Every school day of this month until today. */
  readonly days: readonly FactDayView[];
}

/** One student's line in the class's overview. */
export interface FactLine {
  readonly studentId: string;
  readonly name: string;
  readonly on: boolean;
  /** Has something that differs from the class. */
  readonly differs: boolean;
  readonly stage: "not-begun" | "placement" | "practice";
  readonly families: readonly KnownFamily[];
  readonly lastDay: string | null;
  readonly today: { readonly minutes: number; readonly inTime: number; readonly goal: number };
  readonly thisWeek: number;
  readonly before: number;
  readonly stalled: boolean;
}

export interface ClassFactsView {
  readonly classId: string;
  readonly className: string;
  readonly on: boolean;
  readonly settings: FactSettings;
  readonly today: string;
  /** Families in the order in which they are learned. */
  readonly familyIds: readonly string[];
  readonly lines: readonly FactLine[];
}

/** Who is worth a look. */
export interface FactSigns {
  /** Practises, and learns nothing new. */
  readonly stalled: readonly { readonly id: string; readonly name: string }[];
  /** Has not practised for more than a school week. */
  readonly missed: readonly { readonly id: string; readonly name: string }[];
}

/** A fact of one student. */
export interface FactCell {
  readonly id: string;
  readonly chance: number;
  readonly doubt: number;
  readonly fluent: boolean;
  readonly attempts: number;
  readonly days: number;
  readonly daysAgo: number | null;
}

export interface StudentFactsView {
  readonly classId: string;
  readonly studentId: string;
  readonly name: string;
  readonly on: boolean;
  readonly settings: FactSettings;
  readonly own: OwnFactSettings | null;
  readonly secondsPerDigit: number | null;
  readonly cells: readonly FactCell[];
  readonly days: readonly FactDayView[];
}

/** A family of facts to teach again. */
export interface FamilyView {
  readonly classId: string;
  readonly className: string;
  readonly familyId: string;
  /** Who has begun and lacks some, with which, of how many. */
  readonly students: readonly {
    readonly id: string;
    readonly name: string;
    readonly facts: readonly string[];
    readonly of: number;
  }[];
  /** By how many lack them, most first. */
  readonly facts: readonly { readonly id: string; readonly students: number }[];
}

/** What happened with one fact. */
export interface FactHistoryLine {
  readonly when: string;
  readonly given: number | null;
  readonly right: boolean;
  readonly seconds: number;
  readonly limit: number | null;
  readonly leftOut: boolean;
}
