/** The columns of a roster sheet that we read. */
export const ROSTER_FIELDS = [
  "studentNumber",
  "givenName",
  "familyName",
  "fullName",
  "grade",
  "classes",
  "email",
  "username",
  "birthYear",
  "groups",
  "supports",
] as const;
export type RosterField = (typeof ROSTER_FIELDS)[number];

/** Which column of the file holds which field; null where none does. */
export type RosterMapping = Readonly<Record<RosterField, number | null>>;

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
