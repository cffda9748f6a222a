import type { DecimalMark } from "@/core/model/decimalMark";
import type { ClassRole, SchoolRole } from "@/core/model/roles";
import type { StudentSupports } from "@/core/model/supports";
import type { LikelySame } from "@/core/roster/likelySame";
import type { FileCount } from "@/core/roster/rosterDifference";
import type { RosterMapping } from "@/core/roster/rosterField";
import type { HealthKind } from "@/core/roster/rosterHealth";
import type { RosterFile, RowFault } from "@/core/roster/rosterRecord";
import type { RosterRemarkCode } from "@/core/roster/rosterRemark";

export interface RosterView {
  /** Null for some classes; the name for a whole school. */
  readonly schoolName: string | null;
  readonly classes: readonly RosterClass[];
  readonly students: readonly RosterStudent[];
  readonly health: readonly HealthView[];
  /** Whether the asker may add, move and take out students of each class shown. */
  readonly mayEnroll: boolean;
  /** Every class that the asker may put students into, shown or not. */
  readonly openClasses: readonly { readonly id: string; readonly name: string }[];
  readonly mayManage: boolean;
  readonly today: string;
}

export interface RosterClass {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly grade: number;
  readonly subject: string;
  readonly kind: "scheduled" | "homeroom" | "own";
  readonly students: number;
  readonly staff: readonly string[];
}

export interface RosterStudent {
  readonly id: string;
  readonly name: string;
  readonly studentNumber: string;
  readonly grade: number | null;
  readonly classIds: readonly string[];
  readonly className: string;
  /** "none": no PIN and no card; "locked": wrong tries make others wait; "never": can sign in, but has not yet. */
  readonly signIn: "none" | "locked" | "never" | "used";
  readonly lastSignIn: string | null;
  readonly hasSupports: boolean;
}

export interface HealthView {
  readonly kind: HealthKind;
  readonly because: string;
  /** Those it is about, students or classes. */
  readonly about: readonly { readonly id: string; readonly name: string }[];
}

export type ImportState =
  | { readonly state: "reading"; readonly share: number; readonly what: string }
  | { readonly state: "failed"; readonly message: string }
  | {
      readonly state: "applied";
      readonly draftId: string;
      readonly fileName: string;
      readonly className: string | null;
    }
  | { readonly state: "ready"; readonly view: ImportView };

export interface ImportView {
  readonly draftId: string;
  readonly kind: "package" | "sheet";
  readonly fileName: string;
  /** The class that a sheet is for; null for the whole school. */
  readonly className: string | null;
  readonly isNewClass: boolean;
  /** Changes when the preview would: applying asks for the one that was looked at. */
  readonly fingerprint: string;
  readonly headers: readonly string[];
  readonly mapping: RosterMapping | null;
  readonly notes: readonly string[];
  readonly unread: readonly string[];
  readonly warnings: readonly WarningView[];
  readonly counts: Readonly<Partial<Record<RosterFile, FileCount>>>;
  readonly faults: readonly FaultView[];
  readonly faultCount: number;
  readonly likely: readonly LikelyView[];
  readonly likelyCount: number;
  readonly moveCount: number;
  readonly firstPage: EntryPage;
}

/** A change so large that it is asked for once more; confirmed by its key, which holds its numbers. */
export interface WarningView {
  readonly key: string;
  readonly sentence: string;
}

/** What is wrong with a row or a cell, and what was likely meant. */
export interface FaultView extends Omit<RowFault, "reason"> {
  readonly code: RosterRemarkCode;
  readonly sentence: string;
}

/** Something that would be added although it is likely here already. */
export interface LikelyView extends Omit<LikelySame, "because"> {
  /** What speaks for it, as the end of a sentence. */
  readonly because: string;
}

export interface EntryPage {
  readonly total: number;
  readonly from: number;
  readonly entries: readonly EntryView[];
}

export interface EntryView {
  readonly key: string;
  readonly row: number | null;
  readonly what: "added" | "changed" | "moved" | "inactive" | "restored";
  readonly kind: string;
  readonly name: string;
  readonly detail: string;
}

export interface SignInSlip {
  readonly studentId: string;
  readonly name: string;
  readonly className: string;
  readonly code: string;
  /** Four digits, or the numbers of four pictures joined by dashes. */
  readonly pin: string;
  readonly pinKind: "number" | "picture";
  /** A printed code that signs the student in by itself, as the address of a picture; null without a card. */
  readonly card: string | null;
  /** What the printed code holds. */
  readonly cardAddress: string | null;
}

export interface StudentRecordView {
  readonly id: string;
  readonly name: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly studentNumber: string;
  readonly grade: number | null;
  readonly email: string;
  readonly birthYear: number | null;
  /** Left the school; the evidence is kept. */
  readonly left: boolean;
  readonly enrollments: readonly {
    readonly id: string;
    readonly classId: string;
    readonly className: string;
    readonly from: string;
    /** First day on which the student is no more in the class; may be still to come. */
    readonly until: string | null;
    readonly over: boolean;
    readonly archived: boolean;
    readonly mayLeave: boolean;
  }[];
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  /** Null when they are not open to the asker. */
  readonly supports: StudentSupports | null;
  /** Of the library, for being left out of the tests of one. */
  readonly subjects: readonly { readonly id: string; readonly name: string }[];
  readonly interests: readonly string[];
  readonly signIn: "none" | "locked" | "never" | "used";
  readonly hasCard: boolean;
  readonly classNames: readonly string[];
  readonly erasureAsked: boolean;
  readonly may: {
    readonly change: boolean;
    readonly supports: boolean;
    readonly signIn: boolean;
    readonly export: boolean;
    readonly erase: boolean;
    readonly manage: boolean;
  };
}

export interface AccessView {
  readonly studentId: string;
  readonly name: string;
  readonly left: boolean;
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    readonly why: readonly string[];
    readonly may: readonly string[];
  }[];
  readonly own: string;
}

export interface ClassSettingsView {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly subject: string;
  readonly grade: number;
  readonly kind: "scheduled" | "homeroom" | "own";
  readonly untilDay: string | null;
  readonly staff: readonly {
    readonly rowId: string;
    readonly personId: string;
    readonly name: string;
    readonly role: ClassRole;
    readonly from: string | null;
    readonly until: string | null;
    readonly over: boolean;
  }[];
  readonly colleagues: readonly { readonly id: string; readonly name: string }[];
  readonly mayShare: boolean;
  readonly mayEnroll: boolean;
  readonly today: string;
}

export interface ArchivedClass {
  readonly id: string;
  readonly name: string;
  readonly subject: string;
  readonly grade: number;
  readonly archivedOn: string;
  readonly mayRestore: boolean;
}

export interface RollOverView {
  readonly termName: string;
  /** What next year's term is proposed to be. */
  readonly next: { readonly name: string; readonly startDay: string; readonly endDay: string };
  /** Changes when the roster does: applying asks for the one that was looked at. */
  readonly version: string;
  readonly today: string;
  readonly lastGrade: number;
  readonly lines: readonly RollOverLineView[];
  readonly withoutClass: number;
}

export interface RollOverLineView {
  readonly classId: string;
  readonly name: string;
  readonly subject: string;
  readonly grade: number;
  readonly kind: "scheduled" | "homeroom" | "own";
  readonly what: "leaves" | "moves";
  readonly nextGrade: number;
  readonly nextName: string;
  readonly students: readonly { readonly id: string; readonly name: string }[];
}

export interface PrivacyView {
  readonly settings: {
    readonly staffIdleMinutes: number;
    readonly studentIdleMinutes: number;
    readonly keepYears: number;
    readonly lateGraceHours: number;
    readonly decimalMark: DecimalMark;
  };
  readonly requests: readonly {
    readonly id: string;
    readonly studentId: string;
    readonly name: string;
    readonly reason: string;
    readonly askedBy: string;
    readonly askedOn: string;
    readonly isOwn: boolean;
  }[];
  readonly left: readonly {
    readonly id: string;
    readonly name: string;
    readonly leftOn: string;
    readonly due: boolean;
  }[];
}

export interface StaffMember {
  readonly id: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly email: string;
  readonly isSelf: boolean;
  readonly role: SchoolRole | null;
  readonly classes: readonly string[];
}

export interface StaffView {
  readonly people: readonly StaffMember[];
  readonly left: readonly { readonly id: string; readonly name: string; readonly leftOn: string }[];
}
