import { describe, expect, it } from "vitest";
import { guessColumns } from "@/core/roster/guessColumns";
import { readRosterSheet, type SheetSurroundings, type SupportsOfCell } from "@/core/roster/readRosterSheet";
import type { KnownRecord, RosterFile } from "@/core/roster/rosterRecord";
import { remark } from "@/core/roster/rosterRemark";

const known = (file: RosterFile, key: string, values: Record<string, string>): KnownRecord => ({
  file,
  key,
  id: `id-${key}`,
  values,
  active: true,
  fromSource: true,
  school: "s",
});
const SCHOOL = [
  known("classes", "alder", { title: "6 Alder" }),
  known("classes", "rowan", { title: "6 Rowan" }),
  known("users", "wen", { identifier: "A1", givenName: "Wen", familyName: "Liangyu", grades: "06" }),
  known("enrollments", "wen-alder", { userSourcedId: "wen", classSourcedId: "alder", role: "student" }),
];
const whole = {
  schoolKey: "s",
  target: null,
  groups: [{ id: "g1", name: "Number talk" }],
  newClassSubject: null,
  correctable: null as ReadonlySet<string> | null,
  supportsOfCell: (cell: string) => (cell.includes("9") ? { unknown: cell } : { cell: `read: ${cell}` }),
} satisfies SheetSurroundings & { supportsOfCell: SupportsOfCell };
const inClass: SheetSurroundings & { supportsOfCell: SupportsOfCell } = {
  ...whole,
  target: { classKey: "alder", grade: 6 },
};
const read = (headers: readonly string[], rows: readonly (readonly string[])[], around: typeof inClass = inClass) =>
  readRosterSheet(headers, rows, guessColumns(headers), SCHOOL, around);
const HEADERS = ["Student No.", "First name", "Last name", "Grade", "E-mail"];
const valuesOf = (reading: ReturnType<typeof read>, file: RosterFile) =>
  reading.incoming[file]?.records.map(({ values }) => values) ?? [];

describe("guessColumns", () => {
  it.each([
    [
      ["ID", "Given", "Family", "Year"],
      { studentNumber: 0, givenName: 1, familyName: 2, grade: 3, fullName: null, email: null },
    ],
    [["Surname", "Forename", "Pupil number"], { studentNumber: 2, givenName: 1, familyName: 0, fullName: null }],
    [
      ["Name", "student_id", "grade-level", "Class"],
      { fullName: 0, studentNumber: 1, grade: 2, classes: 3, givenName: null },
    ],
    [["colour", "shoe size"], { fullName: null, studentNumber: null, givenName: null, classes: null }],
  ])("reads %j", (headers, expected) => {
    expect(guessColumns(headers)).toMatchObject(expected);
  });
});

describe("readRosterSheet", () => {
  it("brings a new student with role and enrollment, and knows one who is there", () => {
    const reading = read(HEADERS, [
      ["B2", "Ada", "Nwosu", "Grade 5", ""],
      ["A1", "Wen", "Liang", "6", "WEN@x.example"],
    ]);
    expect(reading.refused).toEqual([]);
    expect(valuesOf(reading, "users")).toMatchObject([
      { identifier: "B2", grades: "05", email: "" },
      { identifier: "A1", familyName: "Liang", email: "wen@x.example" },
    ]);
    expect(valuesOf(reading, "roles")).toMatchObject([{ role: "student", orgSourcedId: "s" }]);
    // Wen is in the class already.
    expect(valuesOf(reading, "enrollments")).toEqual([
      { userSourcedId: "number:B2", classSourcedId: "alder", role: "student" },
    ]);
  });

  it.each([
    [["", "Ada", "Nwosu", "6", ""], remark("number-missing")],
    [["B2", "", "Nwosu", "6", ""], remark("given-name-missing")],
    [["B2", "Ada", "", "6", ""], remark("family-name-missing")],
    [["B2", "Ada", "Nwosu", "66", ""], remark("not-a-grade")],
    [["B2", "Ada", "Nwosu", "six", ""], remark("not-a-grade")],
    [["B2", "Ada", "Nwosu", "6", "not an address"], remark("not-an-address")],
    [["B2", "A".repeat(61), "Nwosu", "6", ""], remark("name-too-long", { most: 60 })],
  ])("refuses %j with its reason and row, and takes nothing of it", (row, reason) => {
    const reading = read(HEADERS, [row]);
    expect(reading.refused).toMatchObject([{ row: 2, reason }]);
    expect(reading.incoming).toEqual({});
  });

  it("refuses a number that stands in the file twice and names the row", () => {
    const reading = read(HEADERS, [
      ["B2", "Ada", "Nwosu", "", ""],
      ["B2", "Bo", "Berg", "", ""],
    ]);
    expect(reading.refused).toMatchObject([{ row: 3, reason: remark("number-twice", { row: 2 }) }]);
  });

  it("reads whole names both ways round and takes the class's grade where none stands", () => {
    const reading = read(
      ["Name", "ID"],
      [
        ["Ó Lorcáin, Caoimhe", "1"],
        ["Noor Jahan Siddiq", "2"],
      ],
    );
    expect(valuesOf(reading, "users")).toMatchObject([
      { givenName: "Caoimhe", familyName: "Ó Lorcáin", grades: "06" },
      { givenName: "Noor Jahan", familyName: "Siddiq" },
    ]);
  });

  it("moves a student whose row lists another class, and leaves an empty cell alone", () => {
    const moved = read(["ID", "First", "Last", "Classes"], [["A1", "Wen", "Liangyu", "6 rowan"]], whole);
    expect(moved.incoming.enrollments?.records).toMatchObject([
      { gone: false, values: { classSourcedId: "rowan" } },
      { gone: true, key: "wen-alder" },
    ]);
    expect(
      read(["ID", "First", "Last", "Classes"], [["A1", "Wen", "Liangyu", ""]], whole).incoming.enrollments,
    ).toBeUndefined();
  });

  it("says which class was likely meant, and makes unknown ones when it is told to", () => {
    const sheet = [["ID", "First", "Last", "Grade", "Classes"], [["B1", "Ada", "N", "7", "6 Aldr; 6 Rowan"]]] as const;
    expect(read(...sheet, whole).refused).toMatchObject([{ column: "Classes", suggestion: "6 Alder; 6 Rowan" }]);
    const made = read(...sheet, { ...whole, newClassSubject: "Mathematics" });
    expect(made.refused).toEqual([]);
    expect(valuesOf(made, "classes")).toMatchObject([{ title: "6 Aldr", grades: "07", subjects: "Mathematics" }]);
  });

  it("reads groups and supports, and refuses what it does not understand", () => {
    const headers = ["ID", "First", "Last", "Groups", "Supports"];
    const reading = read(headers, [["A1", "Wen", "Liangyu", "number talk", "time × 1.5; read aloud"]]);
    expect(valuesOf(reading, "memberships")).toEqual([{ userSourcedId: "wen", group: "g1" }]);
    expect(valuesOf(reading, "supports")).toMatchObject([{ supports: "read: time × 1.5; read aloud" }]);
    expect(read(headers, [["A1", "Wen", "Liangyu", "", "time × 9"]]).refused).toMatchObject([
      { column: "Supports", reason: remark("not-a-support", { name: "time × 9" }) },
    ]);
  });

  it("leaves the data of students alone whom the reader does not teach", () => {
    const reading = read(HEADERS, [["A1", "Wen", "Renamed", "6", ""]], { ...inClass, correctable: new Set() });
    expect(valuesOf(reading, "users")).toEqual([{ identifier: "A1" }]);
    expect(reading.notes[0]).toEqual(remark("others-join", { count: 1 }));
    const headers = ["ID", "First", "Last", "Supports"];
    const other = read(headers, [["A1", "Wen", "Liangyu", "read aloud"]], { ...inClass, correctable: new Set() });
    expect(other.incoming.supports).toBeUndefined();
  });

  it("names who is in the class but not in the file", () => {
    expect(read(HEADERS, [["B2", "Ada", "Nwosu", "6", ""]]).notes).toEqual([
      remark("not-in-file", { names: ["Wen Liangyu"], more: 0 }),
    ]);
  });
});
