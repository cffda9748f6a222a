import { gradeCode } from "./gradeCode";
import type { RosterField, RosterMapping } from "./rosterField";
import type { IncomingRecord, IncomingRoster, KnownRecord, RosterFile, RowFault } from "./rosterRecord";
import { type RosterRemark, remark } from "./rosterRemark";
import { enrollInNamed, enrollInTarget, type Fault, indexOf, joinNamed, type SheetIndex } from "./sheetPlaces";

/** Reads a cell of supports: the cell as it is kept, or the part that is no support. */
export type SupportsOfCell = (cell: string) => { readonly cell: string } | { readonly unknown: string };

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
  readonly notes: readonly RosterRemark[];
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
  around: SheetSurroundings & { readonly supportsOfCell: SupportsOfCell },
): SheetReading {
  const index = indexOf(known);
  const tables: Partial<Record<RosterFile, IncomingRecord[]>> = {};
  const refused: RowFault[] = [];
  const firstRow = new Map<string, number>();
  let untouched = 0;
  rows.forEach((cells, place) => {
    const row = place + 2;
    const cell: Cells = (field) => cellAt(cells, mapping[field]);
    const fault = (field: RosterField, value: string, reason: RosterRemark, suggestion: string | null = null) => {
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
      fault("studentNumber", number, remark("number-twice", { row: twin }));
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
      const supports = around.supportsOfCell(cell("supports"));
      if ("unknown" in supports)
        fault("supports", cell("supports"), remark("not-a-support", { name: supports.unknown }));
      else put("supports", { key: `${key}|supports`, values: { userSourcedId: key, supports: supports.cell } });
    }
    if (refused.length > before) return;
    for (const [file, record] of own) {
      const table = tables[file] ?? [];
      tables[file] = table;
      table.push({ ...record, file, row });
    }
  });
  const notes = [
    ...(untouched === 0 ? [] : [remark("others-join", { count: untouched })]),
    ...(around.target ? missingNote(index, around.target.classKey, firstRow) : []),
  ];
  const incoming = Object.fromEntries(
    Object.entries(tables).map(([file, records]) => [file, { mode: "delta" as const, records }]),
  );
  return { incoming, refused, notes };
}

const NAMES_SHOWN = 12;

/** Students of the class whom the sheet does not name: they stay. */
function missingNote(index: SheetIndex, classKey: string, inSheet: ReadonlyMap<string, number>): RosterRemark[] {
  const missing = [...index.students.values()].filter(
    ({ key, values }) =>
      !inSheet.has(values.identifier ?? "") &&
      (index.enrollments.get(key) ?? []).some((enrollment) => enrollment.values.classSourcedId === classKey),
  );
  if (missing.length === 0) return [];
  const names = missing.slice(0, NAMES_SHOWN).map(({ values }) => `${values.givenName} ${values.familyName}`);
  return [remark("not-in-file", { names, more: missing.length - names.length })];
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
  const problems: [RosterField, string, RosterRemark][] = [];
  if (identifier === "") problems.push(["studentNumber", "", remark("number-missing")]);
  else if (givenName === "") problems.push(["givenName", "", remark("given-name-missing")]);
  else if (familyName === "") problems.push(["familyName", "", remark("family-name-missing")]);
  else if (givenName.length > LONGEST_NAME || familyName.length > LONGEST_NAME)
    problems.push(["familyName", familyName, remark("name-too-long", { most: LONGEST_NAME })]);
  else if (gradeText !== "" && grade === null) problems.push(["grade", gradeText, remark("not-a-grade")]);
  else if (email !== "" && !/^[^\s@]+@[^\s@]+$/.test(email)) problems.push(["email", email, remark("not-an-address")]);
  else if (birthYear !== "" && !(Number(birthYear) >= YEARS.first && Number(birthYear) <= YEARS.last))
    problems.push(["birthYear", birthYear, remark("birth-year-outside", YEARS)]);
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
