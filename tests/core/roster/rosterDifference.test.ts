import { describe, expect, it } from "vitest";
import { guessColumns } from "@/core/roster/guessColumns";
import { rosterDifference } from "@/core/roster/rosterDifference";

const mapping = guessColumns(["Student No.", "First name", "Last name", "Grade", "E-mail"]);
const known = {
  id: "p1",
  studentNumber: "A1",
  givenName: "Wen",
  familyName: "Liangyu",
  grade: 6,
  email: "wen@x.example",
  enrolled: true,
};
const one = (row: readonly string[], students = [known]) => rosterDifference([row], mapping, students, 6)[0];

describe("guessColumns", () => {
  it.each([
    [
      ["ID", "Given", "Family", "Year"],
      { studentNumber: 0, givenName: 1, familyName: 2, grade: 3, fullName: null, email: null },
    ],
    [["Surname", "Forename", "Pupil number"], { studentNumber: 2, givenName: 1, familyName: 0, fullName: null }],
    [["Name", "student_id", "grade-level"], { fullName: 0, studentNumber: 1, grade: 2, givenName: null }],
    [["colour", "shoe size"], { fullName: null, studentNumber: null, givenName: null }],
  ])("reads %j", (headers, expected) => {
    expect(guessColumns(headers)).toMatchObject(expected);
  });
});

describe("rosterDifference", () => {
  it("adds, changes field by field, and leaves alone", () => {
    expect(one(["B2", "Ada", "Nwosu", "Grade 5", ""])).toMatchObject({
      kind: "added",
      row: 2,
      values: { grade: 5, email: null },
    });
    expect(one(["A1", "Wen", "Liang", "06", "WEN@x.example"])).toMatchObject({
      kind: "changed",
      changes: [{ field: "familyName", from: "Liangyu", to: "Liang" }],
    });
    expect(one(["A1", "Wen", "Liangyu", "6", ""])).toMatchObject({ kind: "unchanged", id: "p1" });
    expect(one(["A1", "Wen", "Liangyu", "6", ""], [{ ...known, enrolled: false }])).toMatchObject({
      kind: "changed",
      changes: [{ field: "enrolled" }],
    });
  });

  it.each([
    [["", "Ada", "Nwosu", "6", ""], /number is missing/],
    [["B2", "", "Nwosu", "6", ""], /given name is missing/],
    [["B2", "Ada", "", "6", ""], /family name is missing/],
    [["B2", "Ada", "Nwosu", "66", ""], /no grade/],
    [["B2", "Ada", "Nwosu", "six", ""], /no grade/],
    [["B2", "Ada", "Nwosu", "0", ""], /no grade/],
    [["B2", "Ada", "Nwosu", "6", "not an address"], /no email/],
    [["B2", "A".repeat(61), "Nwosu", "6", ""], /longer than 60/],
  ])("refuses %j with its reason", (row, reason) => {
    expect(one(row)).toMatchObject({ kind: "refused", reason: expect.stringMatching(reason) });
  });

  it("refuses a number that stands in the file twice and names the row", () => {
    const entries = rosterDifference(
      [
        ["B2", "Ada", "Nwosu"],
        ["B2", "Bo", "Berg"],
      ],
      mapping,
      [],
      6,
    );
    expect(entries[1]).toMatchObject({ kind: "refused", row: 3, reason: expect.stringContaining("row 2") });
  });

  it("reads whole names both ways round and takes the class's grade where none stands", () => {
    const whole = guessColumns(["Name", "ID"]);
    const [first, second] = rosterDifference(
      [
        ["Ó Lorcáin, Caoimhe", "1"],
        ["Noor Jahan Siddiq", "2"],
      ],
      whole,
      [],
      7,
    );
    expect(first).toMatchObject({ values: { givenName: "Caoimhe", familyName: "Ó Lorcáin", grade: 7 } });
    expect(second).toMatchObject({ values: { givenName: "Noor Jahan", familyName: "Siddiq" } });
  });
});
