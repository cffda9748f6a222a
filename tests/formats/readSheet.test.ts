import { describe, expect, it } from "vitest";
import { readSheet } from "@/formats/table/readSheet";

const bytes = (text: string) => new TextEncoder().encode(text);
const latin1 = (text: string) => Uint8Array.from([...text].map((letter) => letter.charCodeAt(0)));

describe("readSheet", () => {
  it.each([
    ["comma", "id,name\n1,Ada\n2,Bo\n"],
    ["semicolon and CRLF", "id;name\r\n1;Ada\r\n2;Bo"],
    ["tab", "id\tname\n1\tAda\n2\tBo\n"],
    ["byte order mark", "\uFEFFid,name\n1,Ada\n2,Bo"],
    ["empty rows", "id,name\n\n1,Ada\n , \n2,Bo\n\n"],
  ])("reads %s", (_, text) => {
    expect(readSheet(bytes(text), 10)).toEqual({
      ok: true,
      headers: ["id", "name"],
      rows: [
        ["1", "Ada"],
        ["2", "Bo"],
      ],
      notes: [],
    });
  });

  it("keeps quoted commas, quotes and line breaks in one cell", () => {
    const sheet = readSheet(bytes('id,name\n1,"Berg, ""Bo""\nof the weir"\n'), 10);
    expect(sheet).toMatchObject({ rows: [["1", 'Berg, "Bo"\nof the weir']] });
  });

  it("reads Western European text and says so", () => {
    const sheet = readSheet(latin1("id,name\n1,Oisín\n"), 10);
    expect(sheet).toMatchObject({ ok: true, rows: [["1", "Oisín"]], notes: [{ code: "not-utf-8" }] });
  });

  it("reads UTF-16 with its mark", () => {
    const text = "id,name\n1,Ósk\n";
    const wide = new Uint8Array(2 + text.length * 2);
    wide.set([0xff, 0xfe]);
    for (const [place, letter] of [...text].entries())
      wide.set([letter.charCodeAt(0) & 255, letter.charCodeAt(0) >> 8], 2 + place * 2);
    expect(readSheet(wide, 10)).toMatchObject({ ok: true, rows: [["1", "Ósk"]] });
  });

  it("names a header that is missing by its place", () => {
    expect(readSheet(bytes("id,\n1,x,y\n"), 10)).toMatchObject({ headers: ["id", "Column 2", "Column 3"] });
  });

  it.each([
    ["an empty file", new Uint8Array(), "file-empty"],
    ["headers only", bytes("id,name\n"), "no-rows"],
    ["a picture named .csv", Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]), "file-not-text"],
    ["control characters", Uint8Array.from([0xe9, 1, 2, 3, 10, 65]), "file-not-text"],
    ["too many columns", bytes(`${"a,".repeat(80)}\n1\n`), "too-many-columns"],
  ])("refuses %s", (_, content, code) => {
    expect(readSheet(content, 10)).toMatchObject({ ok: false, why: { code } });
  });

  it("counts the rows of a file that is too long", () => {
    const rows = Array.from({ length: 20_000 }, (_, n) => `${n},Name ${n}`).join("\n");
    expect(readSheet(bytes(`id,name\n${rows}\n`), 400)).toMatchObject({
      ok: false,
      why: { code: "too-many-rows", values: { rows: 20_000, most: 400 } },
    });
  });
});
