import type { RosterMapping } from "./rosterField";

export interface KnownStudent {
  readonly id: string;
  readonly studentNumber: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly grade: number | null;
  readonly email: string | null;
  /** Already in the class that the sheet is for. */
  readonly enrolled: boolean;
}

export interface RosterValues {
  readonly studentNumber: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly grade: number;
  readonly email: string | null;
}

export interface FieldChange {
  readonly field: "givenName" | "familyName" | "grade" | "email" | "enrolled";
  readonly from: string;
  readonly to: string;
}

/** What one row of the sheet will do. `row` counts as a spreadsheet shows it: headers are row 1. */
export type RosterEntry = { readonly row: number } & (
  | { readonly kind: "added"; readonly values: RosterValues }
  | {
      readonly kind: "changed";
      readonly id: string;
      readonly values: RosterValues;
      readonly changes: readonly FieldChange[];
    }
  | { readonly kind: "unchanged"; readonly id: string; readonly values: RosterValues }
  | { readonly kind: "refused"; readonly reason: string; readonly cells: readonly string[] }
);

const LONGEST_NAME = 60;

/**
 * What a roster sheet would change, row by row, before anything does: students are recognised by their number, in the whole
 * school. A row that can't be used says why and what would help. Students who are not in the sheet stay as they are.
 */
export function rosterDifference(
  rows: readonly (readonly string[])[],
  mapping: RosterMapping,
  known: readonly KnownStudent[],
  classGrade: number,
): RosterEntry[] {
  const byNumber = new Map(known.map((student) => [student.studentNumber, student]));
  const firstRow = new Map<string, number>();
  return rows.map((cells, place): RosterEntry => {
    const row = place + 2;
    const reading = readRow(cells, mapping, classGrade);
    if ("reason" in reading) return { row, kind: "refused", reason: reading.reason, cells };
    const twin = firstRow.get(reading.studentNumber);
    if (twin !== undefined) {
      const reason = `Student number ${reading.studentNumber} stands in row ${twin} already. Give each student a number of their own.`;
      return { row, kind: "refused", reason, cells };
    }
    firstRow.set(reading.studentNumber, row);
    const student = byNumber.get(reading.studentNumber);
    if (!student) return { row, kind: "added", values: reading };
    const changes = changesOf(student, reading);
    if (changes.length === 0) return { row, kind: "unchanged", id: student.id, values: reading };
    return { row, kind: "changed", id: student.id, values: reading, changes };
  });
}

function readRow(
  cells: readonly string[],
  mapping: RosterMapping,
  classGrade: number,
): RosterValues | { reason: string } {
  const cell = (place: number | null) =>
    place === null ? "" : (cells[place] ?? "").normalize("NFC").replace(/\s+/g, " ").trim();
  const names = namesOf(cell(mapping.givenName), cell(mapping.familyName), cell(mapping.fullName));
  const studentNumber = cell(mapping.studentNumber);
  if (studentNumber === "")
    return { reason: "The student number is missing. It keeps a student's evidence together, so every row needs one." };
  if (names.givenName === "") return { reason: "The given name is missing." };
  if (names.familyName === "") return { reason: "The family name is missing." };
  if (names.givenName.length > LONGEST_NAME || names.familyName.length > LONGEST_NAME)
    return { reason: `A name is longer than ${LONGEST_NAME} letters.` };
  const gradeText = cell(mapping.grade);
  const grade = gradeText === "" ? classGrade : gradeOf(gradeText);
  if (grade === null) return { reason: `“${gradeText}” is no grade from 1 to 12.` };
  const email = cell(mapping.email).toLowerCase();
  if (email !== "" && !/^[^\s@]+@[^\s@]+$/.test(email))
    return { reason: `“${email}” is no email address. Leave the cell empty if there is none.` };
  return { studentNumber, ...names, grade, email: email === "" ? null : email };
}

/** Parts of a name; a whole name is read as "Family, Given" or "Given Family". */
function namesOf(givenName: string, familyName: string, fullName: string) {
  if (givenName !== "" || familyName !== "" || fullName === "") return { givenName, familyName };
  const comma = fullName.indexOf(",");
  if (comma >= 0) return { givenName: fullName.slice(comma + 1).trim(), familyName: fullName.slice(0, comma).trim() };
  const words = fullName.split(" ");
  return { givenName: words.slice(0, -1).join(" "), familyName: words.at(-1) ?? "" };
}

function gradeOf(text: string): number | null {
  const digits = /^(?:grade|gr\.?|year)?\s*0?(\d{1,2})$/i.exec(text)?.[1];
  const grade = Number(digits);
  return digits !== undefined && grade >= 1 && grade <= 12 ? grade : null;
}

function changesOf(student: KnownStudent, values: RosterValues): FieldChange[] {
  const changes: FieldChange[] = [];
  const compare = (field: "givenName" | "familyName" | "grade", from: string, to: string) => {
    if (from !== to) changes.push({ field, from, to });
  };
  compare("givenName", student.givenName, values.givenName);
  compare("familyName", student.familyName, values.familyName);
  compare("grade", String(student.grade ?? ""), String(values.grade));
  // A sheet without addresses must not wipe those that are known.
  if (values.email !== null && values.email !== student.email)
    changes.push({ field: "email", from: student.email ?? "", to: values.email });
  if (!student.enrolled) changes.push({ field: "enrolled", from: "not in this class", to: "in this class" });
  return changes;
}
