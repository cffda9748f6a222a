import { ROSTER_FIELDS, type RosterField, type RosterMapping } from "./rosterField";

/** Header words that name a field, without spaces, dots, dashes and case. The first header that fits wins. */
const HEADER_WORDS: Readonly<Record<RosterField, readonly string[]>> = {
  studentNumber: [
    "studentnumber",
    "studentid",
    "studentno",
    "studentnr",
    "pupilno",
    "id",
    "number",
    "no",
    "nr",
    "localid",
    "schoolid",
    "pupilid",
    "pupilnumber",
    "sourcedid",
    "identifier",
  ],
  givenName: ["givenname", "firstname", "first", "given", "forename", "preferredname"],
  familyName: ["familyname", "lastname", "last", "family", "surname"],
  fullName: ["name", "fullname", "studentname", "student", "pupil"],
  grade: ["grade", "grades", "gradelevel", "year", "yeargroup", "level"],
  classes: ["classes", "class", "section", "sections", "homeroom", "form"],
  email: ["email", "emailaddress", "mail"],
  username: ["username", "user", "login", "account"],
  birthYear: ["birthyear", "yearofbirth", "born"],
  groups: ["groups", "group"],
  supports: ["supports", "support", "accommodations", "needs"],
};

/**
 * Guesses which column holds which field from the headers; the whole name is used only when its parts are not there.
 * @example guessColumns(["Student No.", "Surname"]).familyName // 1
 */
export function guessColumns(headers: readonly string[]): RosterMapping {
  const bare = headers.map((header) => header.toLowerCase().replace(/[^a-z]/g, ""));
  const entries = ROSTER_FIELDS.map((field) => {
    const place = bare.findIndex((header) => HEADER_WORDS[field].includes(header));
    return [field, place < 0 ? null : place] as const;
  });
  const mapping = Object.fromEntries(entries) as Record<RosterField, number | null>;
  if (mapping.givenName !== null && mapping.familyName !== null) mapping.fullName = null;
  return mapping;
}
