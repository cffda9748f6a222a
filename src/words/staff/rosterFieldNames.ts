import type { RosterField } from "@/core/roster/rosterField";

/** The columns of a roster sheet as we call them, on the page and in sheets that we write. */
export const ROSTER_FIELD_NAMES: Readonly<Record<RosterField, string>> = {
  studentNumber: "Student number",
  givenName: "Given name",
  familyName: "Family name",
  fullName: "Whole name",
  grade: "Grade",
  classes: "Classes",
  email: "Email",
  username: "Username",
  birthYear: "Birth year",
  groups: "Groups",
  supports: "Supports",
};

export const SHEET_TITLE = "Roster";
