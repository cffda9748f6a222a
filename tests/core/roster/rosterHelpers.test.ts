import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { slotClashes } from "@/core/grouping/slotClashes";
import { ITEM_SHARES, TIME_FACTORS } from "@/core/model/supports";
import { findPastedNames } from "@/core/roster/findPastedNames";
import { gradeCode, gradeOfCode } from "@/core/roster/gradeCode";
import { namesApart } from "@/core/roster/namesApart";
import { nearest } from "@/core/roster/nearest";
import { rollOverFate } from "@/core/roster/rollOverFate";
import { type HealthFacts, rosterHealth } from "@/core/roster/rosterHealth";
import { gradeWords } from "@/words/staff/gradeWords";
import { slotWords } from "@/words/staff/slotWords";
import { supportsOfWords, wordsOfSupports } from "@/words/staff/supportsWords";

fc.configureGlobal({ seed: 20261123, numRuns: 100 });

describe("rosterHealth", () => {
  const student = (id: string, over: Partial<HealthFacts["students"][number]> = {}) => ({
    id,
    name: `Student ${id}`,
    grade: 6,
    birthYear: 2014,
    classIds: ["a"],
    hasPin: true,
    locked: false,
    signedIn: true,
    schoolDaysHere: 20,
    ...over,
  });
  const own = (id: string, over: Partial<HealthFacts["classes"][number]> = {}) => ({
    id,
    name: id,
    grade: 6,
    subject: "Mathematics",
    kind: "scheduled" as const,
    teachers: 1,
    over: false,
    ...over,
  });
  const kinds = (facts: HealthFacts) => rosterHealth(facts).map(({ kind }) => kind);

  it("is silent about a roster that is well", () => {
    expect(kinds({ students: [student("1"), student("2")], classes: [own("a")] })).toEqual([]);
  });

  it.each([
    ["locked", student("2", { locked: true })],
    ["no-class", student("2", { classIds: [] })],
    ["no-pin", student("2", { hasPin: false })],
    ["duplicate", student("2", { name: "Stúdent  1" })],
    ["grade", student("2", { grade: 4 })],
    ["never-signed-in", student("2", { signedIn: false })],
  ])("finds %s", (kind, second) => {
    expect(kinds({ students: [student("1"), second], classes: [own("a")] })).toEqual([kind]);
  });

  it("does not take two children of one name and different birth years for one", () => {
    expect(
      kinds({ students: [student("1"), student("2", { name: "Student 1", birthYear: 2013 })], classes: [own("a")] }),
    ).toEqual([]);
  });

  it("waits five school days before it misses a sign-in, and allows mixed grades in a teacher's own class", () => {
    expect(kinds({ students: [student("1", { signedIn: false, schoolDaysHere: 4 })], classes: [own("a")] })).toEqual(
      [],
    );
    expect(kinds({ students: [student("1", { grade: 4 })], classes: [own("a", { kind: "own" })] })).toEqual([]);
  });

  it("finds classes without a teacher, over, and of a size far off", () => {
    expect(kinds({ students: [], classes: [own("a", { teachers: 0 }), own("b", { over: true })] })).toEqual([
      "no-teacher",
      "class-over",
    ]);
    const students = ["a", "b", "c"].flatMap((id, place) =>
      Array.from({ length: place === 2 ? 9 : 25 }, (_, n) =>
        student(`${id}${n}`, { name: `${id} ${n} x`, classIds: [id], birthYear: 2000 + n }),
      ),
    );
    expect(rosterHealth({ students, classes: [own("a"), own("b"), own("c")] })).toMatchObject([
      { kind: "class-size", ids: ["c"], facts: { className: "c", students: 9, usual: 25 } },
    ]);
  });
});

describe("rollOverFate", () => {
  it.each([
    [
      "moves everybody up by one and keeps the rest of a class's name",
      6,
      "6 Alder",
      { what: "moves", grade: 7, className: "7 Alder" },
    ],
    ["takes no longer number for the grade", 1, "10 Elm", { what: "moves", grade: 2, className: "10 Elm" }],
    ["leaves a name without a grade alone", 5, "Otters", { what: "moves", grade: 6, className: "Otters" }],
    ["lets the highest grade leave", 8, "8 Rowan", { what: "leaves" }],
  ])("%s", (_, grade, name, fate) => {
    expect(rollOverFate(grade, name, 8)).toEqual(fate);
  });
});

describe("supports in words", () => {
  const word = fc.stringMatching(/^[a-zA-Zäöé][a-zA-Zäöé ,]{0,18}[a-zA-Z]$/);
  it("come back as they were", () => {
    fc.assert(
      fc.property(
        fc.record({
          timeFactor: fc.constantFrom(...TIME_FACTORS),
          readAloud: fc.boolean(),
          largerText: fc.boolean(),
          itemShare: fc.constantFrom(...ITEM_SHARES),
          separateSetting: fc.boolean(),
          homeLanguage: fc.oneof(fc.constant(""), word),
          leaveOut: fc.option(word, { nil: null }),
        }),
        ({ leaveOut, ...rest }) => {
          const supports = {
            ...rest,
            leaveOutOfTests: leaveOut !== null,
            leaveOutReason: leaveOut ?? "",
            leaveOutSubjectId: leaveOut === null ? null : "mathematics",
            leaveOutUntil: leaveOut === null ? null : "2026-12-18",
          };
          expect(supportsOfWords(wordsOfSupports(supports))).toEqual(supports);
        },
      ),
    );
  });
  it("name what is not understood", () => {
    expect(supportsOfWords("read aloud; loud speaker")).toEqual({ unknown: "loud speaker" });
    expect(supportsOfWords("time × 3")).toEqual({ unknown: "time × 3" });
    expect(supportsOfWords("leave out of tests")).toEqual({ unknown: "leave out of tests" });
  });
});

describe("findPastedNames", () => {
  const students = [
    { id: "1", name: "Caoimhe Ó Lorcáin", studentNumber: "K1" },
    { id: "2", name: "Wen Liangyu", studentNumber: "K2" },
    { id: "3", name: "Wen Amadi", studentNumber: "K3" },
    { id: "4", name: "Noor-Jahan Siddiq", studentNumber: "K4" },
  ];
  const ids = (text: string) =>
    findPastedNames(text, students).map((found) => found.ids.join("+") || `?${found.meant ?? ""}`);
  it.each([
    ["Caoimhe Ó Lorcáin\nWen Liangyu", ["1", "2"]],
    ["caoimhe o lorcain", ["1"]],
    ["Ó Lorcáin, Caoimhe", ["1"]],
    ["1. Caoimhe\n2) Wen L", ["1", "2"]],
    ["Caoimhe, Wen L, Noor-Jahan", ["1", "2", "4"]],
    ["Wen", ["2+3"]],
    ["k4", ["4"]],
    ["Wen Lianyu", ["?Wen Liangyu"]],
    ["Zebedee", ["?"]],
    ["  \n \n", []],
  ])("finds %j", (text, expected) => {
    expect(ids(text)).toEqual(expected);
  });
});

describe("slotClashes", () => {
  const meeting = (groupId: string, slots: string[], fromDay = "2026-11-01", untilDay: string | null = null) => ({
    groupId,
    slots,
    fromDay,
    untilDay,
  });
  it("finds members who would be in two groups in one lesson", () => {
    const others = [
      { ...meeting("b", ["1-3", "2-1"]), personId: "p" },
      { ...meeting("c", ["1-3"]), personId: "q" },
      { ...meeting("a", ["1-3"]), personId: "p" },
    ];
    expect(slotClashes(meeting("a", ["1-3"]), ["p"], others)).toEqual([
      { personId: "p", otherGroupId: "b", slot: "1-3" },
    ]);
  });
  it.each([
    ["2026-11-01", "2026-11-10", "2026-11-11", null, 0],
    ["2026-11-01", "2026-11-11", "2026-11-11", null, 1],
    ["2026-12-01", null, "2026-11-01", "2026-11-30", 0],
    ["2026-11-30", null, "2026-11-01", "2026-11-30", 1],
  ])("only while both meet: %s–%s and %s–%s", (fromA, untilA, fromB, untilB, count) => {
    const other = { ...meeting("b", ["1-3"], fromB, untilB), personId: "p" };
    expect(slotClashes(meeting("a", ["1-3"], fromA, untilA), ["p"], [other])).toHaveLength(count);
  });
  it("says when in words", () => {
    expect(slotWords("5-8")).toBe("Friday, lesson 8");
  });
});

describe("grade codes and near names", () => {
  it("grade codes come back as they were", () => {
    for (let grade = 0; grade <= 12; grade++) expect(gradeOfCode(gradeCode(grade))).toBe(grade);
    expect(gradeOfCode("07,08")).toBe(7);
    expect(gradeOfCode("PK")).toBeNull();
    expect(gradeCode(null)).toBe("");
  });
  it("a near name is one that differs little and alone", () => {
    expect(nearest("6 Aldr", ["6 Alder", "6 Rowan"])).toBe("6 Alder");
    expect(nearest("6 Elm", ["6 Alder", "6 Rowan"])).toBeNull();
    expect(nearest("6 Ash", ["6 Asha", "6 Asho"])).toBeNull();
    expect(nearest("x", [])).toBeNull();
  });
});

it.each([
  ["06", "6"],
  ["KG", "kindergarten"],
  ["05,06", "5, 6"],
  ["10", "10"],
  ["PS", "PS"],
])("the grade code %s is said as %s", (code, words) => {
  expect(gradeWords(code)).toBe(words);
});

it("names at the door are short, and longer only where two would read the same", () => {
  const child = (givenName: string, familyName: string, studentNumber: string | null = null) => ({
    givenName,
    familyName,
    studentNumber,
  });
  expect(
    namesApart([
      child("Wen", "Liangyu"),
      child("Abebe", "Fantaye"),
      child("abebe", "Fisher"),
      child("Ada", "Bo", "KW1234"),
      child("Ada", "Bo", "KW1567"),
      child("李文", "", null),
      child("Zoë", "Åberg"),
    ]),
  ).toEqual(["Wen L", "Abebe Fantaye", "abebe Fisher", "Ada Bo …234", "Ada Bo …567", "李文", "Zoë Å"]);
});
