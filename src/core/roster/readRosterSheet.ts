import { gradeCode } from "./gradeCode";
import type { RosterField, RosterMapping } from "./rosterField";
import type { IncomingRecord, IncomingRoster, KnownRecord, RosterFile, RowFault } from "./rosterRecord";
import { enrollInNamed, enrollInTarget, type Fault, indexOf, joinNamed, type SheetIndex } from "./sheetPlaces";
import { supportsOfWords, wordsOfSupports } from "./supportsWords";

/** What a sheet is read against. */
export interface SheetSurroundings {
  /** Key of the school that new students join. */
  readonly schoolKey: string;
  /** The one class that the sheet is for, or null when its column of classes says where each student goes. */
  readonly target: { readonly classKey: string; readonly grade: number } | null;
  /** Groups that the sheet may name. */
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  /** Subject of classes that the sheet names and nobody knows, when they are to be made; null when they are refused. */
  readonly newClassSubject: string | null;
  /** Ids of students whose own data and supports the reader of the sheet may correct; null for all. */
  readonly correctable: ReadonlySet<string> | null;
}

export interface SheetReading {
  readonly incoming: IncomingRoster;
  readonly refused: readonly RowFault[];
  readonly notes: readonly string[];
}

/** The name under which faults of a sheet are reported and repaired. */
export const SHEET = "sheet";
const LONGEST_NAME = 60;
const YEARS = { first: 1990, last: 2035 } as const;

type Cells = (field: RosterField) => string;
interface Student {
  readonly values: Readonly<Record<string, string>>;
}

/**
 * Reads a plain sheet, one row a student, as changes to the roster. Students are recognised by the school's student number.
 * A row that cannot be used says why and what would help. Students who are not in the sheet stay as they are; a student's
 * classes and groups become those that the row lists, where the sheet has such a column. Empty cells say nothing.
 */
export function readRosterSheet(
  headers: readonly string[],
  rows: readonly (readonly string[])[],
  mapping: RosterMapping,
  known: readonly KnownRecord[],
  around: SheetSurroundings,
): SheetReading {
  const index = indexOf(known);
  const tables: Partial<Record<RosterFile, IncomingRecord[]>> = {};
  const refused: RowFault[] = [];
  const firstRow = new Map<string, number>();
  let untouched = 0;
  rows.forEach((cells, place) => {
    const row = place + 2;
    const cell: Cells = (field) => cellAt(cells, mapping[field]);
    const fault = (field: RosterField, value: string, reason: string, suggestion: string | null = null) => {
      const column = mapping[field];
      refused.push({
        file: SHEET,
        row,
        column: column === null ? null : (headers[column] ?? null),
        value,
        reason,
        suggestion,
      });
    };
    const student = readStudent(cell, around, fault);
    if (!student) return;
    const number = student.values.identifier ?? "";
    const twin = firstRow.get(number);
    if (twin !== undefined) {
      fault(
        "studentNumber",
        number,
        `This number stands in row ${twin} already. Each student needs a number of their own.`,
      );
      return;
    }
    firstRow.set(number, row);
    const match = index.students.get(number);
    const key = match?.key ?? `number:${number}`;
    const own: [RosterFile, Omit<IncomingRecord, "file" | "row">][] = [];
    const put = (file: RosterFile, record: { key: string; values: Record<string, string>; gone?: boolean }) =>
      own.push([file, { gone: false, fromSource: false, ...record }]);
    const before = refused.length;
    const mayCorrect = !match || around.correctable === null || around.correctable.has(match.id);
    if (!mayCorrect) untouched++;
    put("users", { key, values: mayCorrect ? { ...student.values } : { identifier: number } });
    if (!match)
      put("roles", {
        key: `${key}|student`,
        values: { userSourcedId: key, role: "student", roleType: "primary", orgSourcedId: around.schoolKey },
      });
    if (around.target) enrollInTarget(index, key, around.target.classKey, put);
    else if (mapping.classes !== null)
      enrollInNamed(index, key, cell("classes"), { ...around, grade: student.values.grades ?? "" }, fault, put);
    if (mapping.groups !== null && cell("groups") !== "")
      joinNamed(index, key, cell("groups"), around.groups, fault, put);
    if (mayCorrect && mapping.supports !== null && cell("supports") !== "") {
      const supports = supportsOfWords(cell("supports"));
      if ("unknown" in supports)
        fault(
          "supports",
          cell("supports"),
          `“${supports.unknown}” is no support. Write for example: time × 1.5; read aloud.`,
        );
      else
        put("supports", {
          key: `${key}|supports`,
          values: { userSourcedId: key, supports: wordsOfSupports(supports) },
        });
    }
    if (refused.length > before) return;
    for (const [file, record] of own) {
      const table = tables[file] ?? [];
      tables[file] = table;
      table.push({ ...record, file, row });
    }
  });
  const notes = [
    ...(untouched === 0
      ? []
      : [
          `${untouched} of these students are in no class of yours: they join the class, their names, grades and supports stay.`,
        ]),
    ...(around.target ? missingNote(index, around.target.classKey, firstRow) : []),
  ];
  const incoming = Object.fromEntries(
    Object.entries(tables).map(([file, records]) => [file, { mode: "delta" as const, records }]),
  );
  return { incoming, refused, notes };
}

const NAMES_SHOWN = 12;

/** Students of the class whom the sheet does not name: they stay. */
function missingNote(index: SheetIndex, classKey: string, inSheet: ReadonlyMap<string, number>): string[] {
  const missing = [...index.students.values()].filter(
    ({ key, values }) =>
      !inSheet.has(values.identifier ?? "") &&
      (index.enrollments.get(key) ?? []).some((enrollment) => enrollment.values.classSourcedId === classKey),
  );
  if (missing.length === 0) return [];
  const names = missing.slice(0, NAMES_SHOWN).map(({ values }) => `${values.givenName} ${values.familyName}`);
  const more = missing.length > names.length ? ` and ${missing.length - names.length} more` : "";
  return [`In the class but not in the file, and left as they are: ${names.join(", ")}${more}.`];
}

const cellAt = (cells: readonly string[], column: number | null): string =>
  column === null ? "" : (cells[column] ?? "").normalize("NFC").replace(/\s+/g, " ").trim();

function readStudent(cell: Cells, around: SheetSurroundings, fault: Fault): Student | null {
  const identifier = cell("studentNumber");
  const { givenName, familyName } = namesOf(cell("givenName"), cell("familyName"), cell("fullName"));
  const gradeText = cell("grade");
  const grade = gradeText === "" ? (around.target?.grade ?? null) : gradeOf(gradeText);
  const email = cell("email").toLowerCase();
  const birthYear = cell("birthYear");
  const problems: [RosterField, string, string][] = [];
  if (identifier === "")
    problems.push([
      "studentNumber",
      "",
      "The student number is missing. It keeps a student's evidence together, so every row needs one.",
    ]);
  else if (givenName === "") problems.push(["givenName", "", "The given name is missing."]);
  else if (familyName === "") problems.push(["familyName", "", "The family name is missing."]);
  else if (givenName.length > LONGEST_NAME || familyName.length > LONGEST_NAME)
    problems.push(["familyName", familyName, `A name is longer than ${LONGEST_NAME} letters.`]);
  else if (gradeText !== "" && grade === null)
    problems.push(["grade", gradeText, "A grade is K or a number from 1 to 12."]);
  else if (email !== "" && !/^[^\s@]+@[^\s@]+$/.test(email))
    problems.push(["email", email, "This is no email address. Leave the cell empty if there is none."]);
  else if (birthYear !== "" && !(Number(birthYear) >= YEARS.first && Number(birthYear) <= YEARS.last))
    problems.push(["birthYear", birthYear, `A birth year lies between ${YEARS.first} and ${YEARS.last}.`]);
  const [problem] = problems;
  if (problem) {
    fault(...problem);
    return null;
  }
  return {
    values: {
      identifier,
      givenName,
      familyName,
      grades: gradeCode(grade),
      email,
      birthYear,
      username: cell("username"),
    },
  };
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
  if (/^k(g|inder.*)?$/i.test(text)) return 0;
  const digits = /^(?:grade|gr\.?|year)?\s*0?(\d{1,2})$/i.exec(text)?.[1];
  const grade = Number(digits);
  return digits !== undefined && grade >= 1 && grade <= 12 ? grade : null;
}
