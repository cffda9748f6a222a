import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { likelyOf } from "@/core/roster/likelyOf";
import { readScore, readScores } from "@/core/roster/readScores";
import { sameScale } from "@/core/roster/sameScale";

const students = [
  { id: "mira", name: "Mira Okoye", studentNumber: "1034" },
  { id: "lev", name: "Lev Andersson", studentNumber: "1035" },
  { id: "lea", name: "Léa Brandt", studentNumber: "1036" },
  { id: "lea2", name: "Lea Holm", studentNumber: "1037" },
];
const rows = (text: string) => text.split("\n").map((line) => line.split("\t"));
const ids = (text: string) => readScores(rows(text), students).lines.map((line) => line.ids);

describe("a written score", () => {
  it.each([
    ["14", { score: 14, outOf: null }],
    [" 14,5 ", { score: 14.5, outOf: null }],
    ["14/20", { score: 14, outOf: 20 }],
    ["14 / 20", { score: 14, outOf: 20 }],
    ["70 %", { score: 70, outOf: 100 }],
    ["0", { score: 0, outOf: null }],
  ])("is read from %j", (cell, score) => expect(readScore(cell)).toEqual(score));

  it.each(["", "absent", "-3", "21/20", "3/0", "1e3", "14 of 20", "120 %"])("is not found in %j", (cell) =>
    expect(readScore(cell)).toBeNull(),
  );
});

describe("a list of scores", () => {
  it("has names before scores, by any of the usual ways", () => {
    expect(ids("Name\tRatio\nMira Okoye\t14\nAndersson, Lev\t9")).toEqual([["mira"], ["lev"]]);
    expect(ids("First\tLast\tRatio\nMira\tOkoye\t14\nLev\tAndersson\t9")).toEqual([["mira"], ["lev"]]);
    expect(ids("Last\tFirst\tRatio\nOkoye\tMira\t14\nAndersson\tLev\t9")).toEqual([["mira"], ["lev"]]);
    expect(ids("No\tName\tRatio\n1034\tsomebody\t14\n1035\t\t9")).toEqual([["mira"], ["lev"]]);
    expect(ids("Mira Okoye 14 9\nLev Andersson 8 70%")).toEqual([["mira"], ["lev"]]);
  });

  it("takes the first line for names of columns only where it holds no score", () => {
    expect(readScores(rows("Name\tRatio\tNotes\nMira\t14\tgood\nLev\t9\t"), students)).toMatchObject({
      columns: ["Ratio"],
      lines: [{ scores: [{ score: 14 }] }, { scores: [{ score: 9 }] }],
    });
    expect(readScores(rows("Mira\t14\nLev\t9"), students)).toMatchObject({ columns: [""], lines: [{}, {}] });
  });

  it("says what is unclear, unknown or no score, and guesses no student", () => {
    const { lines, unread } = readScores(rows("Name\tRatio\nLea\t3\nMira Okoje\t4\nLev\tabsent\nMira\t5"), students);
    expect(lines.map((line) => line.ids)).toEqual([["lea", "lea2"], [], ["lev"], ["mira"]]);
    expect(lines[1]?.meant).toBe("Mira Okoye");
    expect(lines[2]?.scores).toEqual([null]);
    expect(unread).toEqual(["absent"]);
  });

  it("of nothing is empty, and anything at all is read without an error", () => {
    expect(readScores([], students)).toEqual({ columns: [], lines: [], unread: [] });
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 5 }), { maxLength: 8 }), (any) => {
        const { columns, lines } = readScores(any, students);
        for (const line of lines) expect(line.scores.length).toBe(columns.length);
      }),
    );
  });
});

describe("scores of one column", () => {
  it("are on one scale, or on none", () => {
    const of = (score: number, outOf: number | null) => ({ score, outOf });
    expect(sameScale([of(7, 10), of(16, 20)])).toEqual([0.7, 0.8]);
    expect(sameScale([of(7, null), of(16, null)])).toEqual([7, 16]);
    expect(sameScale([of(7, 10), of(16, null)])).toBeNull();
  });
});

describe("what a heading means", () => {
  const strands = [
    { id: "ratio", name: "Ratio and proportional relationships" },
    { id: "fractions", name: "Fractions" },
    { id: "operations", name: "Operations with fractions" },
  ];
  it("is the strand that shares most words with it, and none where that is not clear", () => {
    expect(likelyOf("Proportions (ratio)", strands)).toBe("ratio");
    expect(likelyOf("fraction operation", strands)).toBe("operations");
    expect(likelyOf("Fraction", strands)).toBeNull();
    expect(likelyOf("Score", strands)).toBeNull();
  });
});
