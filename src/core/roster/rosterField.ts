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
