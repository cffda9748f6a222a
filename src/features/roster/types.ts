import type { RosterEntry } from "@/core/roster/rosterDifference";
import type { RosterMapping } from "@/core/roster/rosterField";

export interface RosterView {
  readonly classes: readonly { readonly id: string; readonly name: string; readonly code: string }[];
  readonly students: readonly RosterStudent[];
}

export interface RosterStudent {
  readonly id: string;
  readonly name: string;
  readonly studentNumber: string;
  readonly grade: number;
  readonly className: string;
  readonly classId: string;
  /** "none": no PIN yet; "locked": too many wrong tries; "never": has a PIN, not signed in yet. */
  readonly signIn: "none" | "locked" | "never" | "used";
  readonly lastSignIn: string | null;
}

export interface ImportPreview {
  readonly draftId: string;
  readonly fileName: string;
  readonly className: string;
  readonly isNewClass: boolean;
  readonly headers: readonly string[];
  readonly mapping: RosterMapping;
  readonly notes: readonly string[];
  readonly entries: readonly RosterEntry[];
  /** Students of the class who are not in the file; they stay. */
  readonly notInFile: readonly string[];
  /** Changes when the preview would: applying asks for the one that was looked at. */
  readonly fingerprint: string;
  readonly applied: boolean;
}

export interface SignInSlip {
  readonly studentId: string;
  readonly name: string;
  readonly className: string;
  readonly code: string;
  readonly pin: string;
}
