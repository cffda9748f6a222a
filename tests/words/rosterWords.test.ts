import { describe, expect, it } from "vitest";
import { INTERESTS } from "@/core/model/interests";
import type { HealthIssue } from "@/core/roster/rosterHealth";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
import { HEALTH_MESSAGES, ROSTER_MESSAGES, SAME_MESSAGES } from "@/words/staff/rosterMessages";
import { healthWords, remarkWords, sameWords } from "@/words/staff/rosterWords";
import { interestWords } from "@/words/students/interestWords";

/** Remarks with values, as they are worded. */
const WORDED: readonly (readonly [RosterRemark, string | RegExp])[] = [
  [remark("number-twice", { row: 2 }), /row 2 already/],
  [remark("name-too-long", { most: 60 }), "A name is longer than 60 letters."],
  [remark("birth-year-outside", { first: 1990, last: 2035 }), "A birth year lies between 1990 and 2035."],
  [remark("not-a-support", { name: "loud {n}" }), /“loud \{n\}” is no support/],
  [remark("no-class", { name: "6 Aldr" }), /no class “6 Aldr”/],
  [remark("no-group", { name: "G" }), "There is no group “G” that you may change."],
  [remark("reference-missing", { file: "users.csv" }), "There is no such row in users.csv, or it was left out."],
  [remark("not-one-of", { values: ["a", "b"] }), "This is one of a, b."],
  [remark("cell-too-long", { most: 5000 }), /more than 5000 characters/],
  [remark("row-of-other-length", { cells: 1, columns: 4 }), /The row has 1 cell, the file 4 columns\./],
  [remark("column-twice", { name: "id" }), "The column id is there twice."],
  [remark("quote-not-closed", { row: 7 }), /near row 7 is/],
  [remark("other-sheets-unread", { name: "A", others: ["B", "C"] }), "Only the sheet “A” was read; not: B, C."],
  [remark("family-left-out", { count: 1 }), /^1 family member was left out/],
  [remark("proctors-left-out", { count: 2 }), /^2 enrollments of administrators and proctors were left out\.$/],
  [remark("over-left-out", { count: 1 }), "1 row was left out: over before today."],
  [remark("others-join", { count: 3 }), /^3 of these students are in no class of yours: they join/],
  [remark("not-in-file", { names: ["Ada", "Ben"], more: 0 }), /left as they are: Ada, Ben\.$/],
  [remark("not-in-file", { names: ["Ada"], more: 4 }), /left as they are: Ada and 4 more\.$/],
  [
    remark("many-inactive", { inactive: 1412, active: 20430, file: "users" }),
    "This would make 1,412 of 20,430 people inactive. Is the file complete?",
  ],
  [remark("file-too-large", { megabytes: 20 }), /larger than 20 MB/],
  [remark("too-many-columns", { columns: 80, most: 60 }), "The file has 80 columns; at most 60 can be read."],
  [remark("too-many-rows", { rows: 20_000, most: 400 }), /about 20,000 rows; at most 400 can/],
  [remark("more-rows-than", { most: 400_000 }), "The file has more than 400,000 rows."],
  [remark("zip-leads-out", { name: "../x" }), /\(\.\.\/x\)/],
  [remark("zip-names-twice", { name: "a.csv" }), /named a\.csv/],
  [remark("zip-too-many-files", { most: 40 }), /more than 40 files/],
  [remark("zip-file-damaged", { name: "a.csv" }), /^a\.csv in/],
  [remark("zip-too-large", { megabytes: 400 }), /more than 400 MB/],
  [remark("zip-grows-too-much", { name: "a.csv" }), /^a\.csv unpacks/],
  [remark("reading-file", { name: "users.csv" }), "reading users.csv"],
];

describe("what is said of a roster file", () => {
  it.each(WORDED)("%j", (one, words) => {
    if (typeof words === "string") expect(remarkWords(one)).toBe(words);
    else expect(remarkWords(one)).toMatch(words);
  });

  it("needs no value that is not in the examples above", () => {
    const worded = new Set<string>(WORDED.map(([{ code }]) => code));
    for (const [code, text] of Object.entries(ROSTER_MESSAGES))
      if (!worded.has(code)) expect(text, code).not.toContain("{");
  });
});

const issues: readonly (readonly [HealthIssue, string])[] = [
  [{ kind: "locked", ids: ["a"], facts: {} }, "1 student is held at the door: wrong PINs were tried"],
  [{ kind: "no-class", ids: ["a", "b"], facts: {} }, "2 students are in no class"],
  [{ kind: "no-teacher", ids: ["c"], facts: {} }, "1 class has no teacher"],
  [{ kind: "no-pin", ids: ["a", "b"], facts: {} }, "2 students have no PIN and no card, and can’t sign in"],
  [{ kind: "class-over", ids: ["c", "d"], facts: {} }, "2 classes have passed the day that was set as the last one"],
  [
    { kind: "duplicate", ids: ["a", "b"], facts: { name: "Ada", share: "birth-year" } },
    "Ada is there 2 times with the same birth year",
  ],
  [
    { kind: "grade", ids: ["a"], facts: { name: "Ada", className: "6 A", classGrade: 6, grades: [5] } },
    "Ada is in 6 A, a class of grade 6, with grade 5",
  ],
  [
    { kind: "grade", ids: ["a", "b"], facts: { name: null, className: "6 A", classGrade: 6, grades: [5, 10] } },
    "2 students are in 6 A, a class of grade 6, with grade 5, 10",
  ],
  [
    {
      kind: "class-size",
      ids: ["c"],
      facts: { className: "6 A", students: 1, usual: 24.5, grade: 6, subject: "Math" },
    },
    "6 A has 1 student; the usual number in grade 6 Math is 24.5",
  ],
  [
    { kind: "never-signed-in", ids: ["a"], facts: { schoolDays: 5 } },
    "1 student has not signed in once in 5 school days or more",
  ],
];

it.each(issues)("what looks off: %j", (issue, words) => {
  expect(healthWords(issue)).toBe(words);
  expect(new Set(issues.map(([{ kind }]) => kind)).size).toBe(Object.keys(HEALTH_MESSAGES).length);
});

it("what speaks for two being one, grades as people say them", () => {
  expect(sameWords({ code: "name-and-grade", grade: "06" })).toBe("same name, grade 6");
  expect(sameWords({ code: "name-and-birth-year", birthYear: "2014" })).toBe("same name, born 2014");
  expect(sameWords({ code: "email" })).toBe(SAME_MESSAGES.email);
});

it("interests have words; one of an earlier list is shown as it was kept", () => {
  expect(INTERESTS.map(interestWords)).toContain("boats and water");
  expect(interestWords("steam trains")).toBe("steam trains");
});
