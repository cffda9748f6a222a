import { describe, expect, it } from "vitest";
import { type SearchedStandard, type StandardsQuery, searchStandards } from "@/core/library/searchStandards";

const row = (id: string, parentId: string | null, code: string, statement: string, low?: number, high?: number) => ({
  id,
  parentId,
  code,
  statement,
  gradeLow: low ?? null,
  gradeHigh: high ?? low ?? null,
});
const standards: readonly SearchedStandard[] = [
  row("n", null, "LR N", "Number", 1, 8),
  row("n1", "n", "LR 1.N-1", "Count to 100.", 1),
  row("n2", "n", "LR 2.N-1", "Add and subtract.", 2),
  row("n2a", "n2", "LR 2.N-1a", "Add to 100.", 2),
  row("r", null, "LR R", "Ratio", 6, 7),
  row("r1", "r", "LR 6.R-1", "Compare by ratio, not by how many more.", 6),
  row("r2", "r", "LR 6-7.R-2", "Reason with équivalent ratios.", 6, 7),
];
const find = (over: Partial<StandardsQuery>) => {
  const found = searchStandards(standards, { text: "", grade: null, underId: null, ...over });
  return {
    ...found,
    ids: found.rows.map(({ standard, isMatch }) => (isMatch ? standard.id : `(${standard.id})`)),
  };
};

describe("a search of standards", () => {
  it("shows the whole tree with its levels where nothing is asked", () => {
    const found = find({});
    expect(found.ids).toEqual(["n", "n1", "n2", "n2a", "r", "r1", "r2"]);
    expect(found.rows.map(({ depth }) => depth)).toEqual([0, 1, 1, 2, 0, 1, 1]);
    expect(found).toMatchObject({ matches: 7, unknownCodes: [] });
  });

  it("finds all of the words, in codes too, whatever their accents and signs, and keeps what they stand under", () => {
    expect(find({ text: "add 100" }).ids).toEqual(["(n)", "(n2)", "n2a"]);
    expect(find({ text: "EQUIVALENT" }).ids).toEqual(["(r)", "r2"]);
    expect(find({ text: "lr2n1" }).ids).toEqual(["(n)", "n2"]);
    expect(find({ text: "6.r-1" }).ids).toEqual(["(r)", "r1"]);
    expect(find({ text: "triangle" })).toMatchObject({ ids: [], matches: 0 });
  });

  it("takes a pasted list of codes, and names those that are not here", () => {
    const found = find({ text: "LR 1.N-1; lr6r1\nLR 9.Z-1, LR 9.Z-1" });
    expect(found.ids).toEqual(["(n)", "n1", "(r)", "r1"]);
    expect(found.unknownCodes).toEqual(["LR 9.Z-1"]);
    // A sentence with a comma is words.
    expect(find({ text: "ratio, not" })).toMatchObject({ ids: ["(r)", "r1"], unknownCodes: [] });
  });

  it("narrows by grade and by strand, together with words", () => {
    expect(find({ grade: 7 }).ids).toEqual(["n", "r", "r2"]);
    expect(find({ underId: "r" }).ids).toEqual(["r", "r1", "r2"]);
    expect(find({ underId: "r", text: "compare" }).ids).toEqual(["(r)", "r1"]);
    expect(find({ underId: "n", text: "compare" }).ids).toEqual([]);
  });

  it("ends where a tree stands under itself", () => {
    const round = [row("a", "b", "A", "a"), row("b", "a", "B", "b")];
    expect(searchStandards(round, { text: "", grade: null, underId: null }).rows.map(({ depth }) => depth)).toEqual([
      2, 2,
    ]);
  });
});
