import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { ItemBody, PartBody } from "@/core/items/itemBody";
import { itemSheetRows } from "@/formats/exchange/itemSheetRows";
import { readItemSheet } from "@/formats/exchange/readItemSheet";
import { rowOfItem } from "@/formats/exchange/rowOfItem";
import { writeSheet } from "@/formats/table/writeSheet";
import { bodyWith } from "../../support/newItem";
import { outgoing } from "../../support/packages";
import { PARTS } from "../../support/partsOfEveryKind";
import { plainItem } from "../../support/plainItems";

async function read(text: string | Uint8Array) {
  const reading = await readItemSheet(typeof text === "string" ? new TextEncoder().encode(text) : text);
  if (!reading.ok) throw new Error(JSON.stringify(reading.why));
  return reading.items;
}
const partsOf = async (text: string) => (await read(text)).map(({ item }) => item?.body.parts[0]);

/** Without what no row has room for. */
function bare(body: ItemBody): ItemBody {
  const { table: _table, picture: _picture, discrimination: _discrimination, ...rest } = body;
  const parts = body.parts.map((part) => {
    const { prompt: _prompt, points: _points, skillIds: _skills, ...own } = part;
    return own as PartBody;
  });
  return { ...rest, difficultyOffset: "0", parts };
}

describe("a sheet of items", () => {
  it("is read as people write it: choices, numbers and words", async () => {
    const [choice, number, word] = await partsOf(
      "Question,Answer,Wrong 1,Wrong 2,Unit\n3 + 4?,7,12,34,\n25 : 2?,12.5,,,m\nName it.,ratio,,,\n",
    );
    expect(choice).toEqual({
      id: "a",
      kind: "single-choice",
      options: [
        { id: "a", text: "7", right: true },
        { id: "b", text: "12" },
        { id: "c", text: "34" },
      ],
    });
    expect(number).toMatchObject({
      kind: "number",
      answer: "12.5",
      right: "x == 12.5",
      unit: { word: "m", required: false },
    });
    expect(word).toMatchObject({ kind: "short-text", accepted: ["ratio"], ignoreCase: true });
  });
  it("reads options with the letter, or the words, of the right one", async () => {
    const [byLetter, byWords, several] = await partsOf(
      "Question;Option A;Option B;Option C;Correct answer\nLargest?;2;9;4;B\nLargest?;2;9;4;9\nEven?;2;9;4;A, C\n",
    );
    for (const part of [byLetter, byWords])
      expect(part).toMatchObject({
        kind: "single-choice",
        options: [{ text: "9", right: true }, { text: "2" }, { text: "4" }],
      });
    expect(several).toMatchObject({
      kind: "multiple-choice",
      options: [{ text: "2", right: true }, { text: "4", right: true }, { text: "9" }],
    });
  });
  it("says of each row that can't be taken why, by its number", async () => {
    const items = await read(
      "Question,Kind,Answer,Wrong\n,,7,\nWhat?,,,\nHow many?,number,seven,\nWhich?,choice,7,\nDraw it.,essay,x,\nGood?,,7,8\n",
    );
    expect(items.map(({ at, item, remarks }) => `${at} ${item ? "taken" : remarks[0]?.code}`)).toEqual([
      "2 no-question",
      "3 no-key",
      "4 key-not-a-number",
      "5 option-missing",
      "6 kind-not-known",
      "7 taken",
    ]);
  });
  it("needs columns for the question and the answer", async () => {
    expect(await readItemSheet(new TextEncoder().encode("A,B\n1,2\n"))).toEqual({
      ok: false,
      why: "columns-not-known",
    });
    expect(await readItemSheet(new Uint8Array())).toMatchObject({ ok: false });
  });
  it("keeps what looks like a formula a text, and braces braces", async () => {
    const items = await read("Question,Answer\n=1+1 in {this},'=2\n");
    expect(items[0]?.item?.body.stem).toBe("=1+1 in {leftBrace}this{rightBrace}");
    const row = items[0]?.item ? rowOfItem(items[0].item) : null;
    expect(row).toMatchObject({ question: "=1+1 in {this}", answer: "=2" });
  });
  it("has no room for what is drawn anew, or of another kind", () => {
    for (const part of Object.values(PARTS)) expect(rowOfItem(outgoing("x", bodyWith(part)))).toBeNull();
  });
  it.each(["csv", "xlsx"] as const)("gives every row back from a file of ours (%s)", async (format) => {
    const rows = fc
      .sample(
        fc.oneof(
          plainItem(["number"]),
          plainItem(["single-choice"]),
          plainItem(["multiple-choice"]),
          plainItem(["short-text"]),
        ),
        { numRuns: 400, seed: 11 },
      )
      .flatMap((item) => rowOfItem({ ...item, id: item.id.replace(/\W/g, ""), body: bare(item.body) }) ?? [])
      // A mark before a sign is what keeps it from running as a formula.
      .filter((row) => !/"'/.test(JSON.stringify(row)));
    const different = [...new Map(rows.map((row) => [row.id, row])).values()];
    expect(different.length).toBeGreaterThan(20);
    const bytes = await writeSheet(
      itemSheetRows(different, (column) => column),
      format,
      "Items",
    );
    const again = (await read(bytes)).map(({ item }) => (item ? rowOfItem(item) : null));
    expect(again).toEqual(different);
  });
});
