import type { ItemColumn } from "@/core/items/itemColumn";
import { faultsOf } from "@/core/items/lookOver";
import type { RosterRemark } from "@/core/roster/rosterRemark";
import { readSheetFile } from "../table/readSheetFile";
import type { ReadItem } from "./exchangeItem";
import type { ItemCells } from "./itemCells";
import { itemColumns, optionColumns } from "./itemColumns";
import { itemOfRow } from "./itemOfRow";

export type ItemSheetReading =
  | { readonly ok: false; readonly why: RosterRemark | "columns-not-known" }
  | { readonly ok: true; readonly items: readonly ReadItem[] };

const MOST_ROWS = 20_000;

/**
 * Reads a sheet of items (CSV, TSV or XLSX), a row each: choices, numbers and short texts. Needs a column for the question and one for
 * the answer; each row is taken, or says why it is not. Never throws.
 */
export async function readItemSheet(bytes: Uint8Array): Promise<ItemSheetReading> {
  const sheet = await readSheetFile(bytes, MOST_ROWS);
  if (!sheet.ok) return sheet;
  const columns = itemColumns(sheet.headers);
  if (columns.question.length === 0 || columns.answer.length === 0) return { ok: false, why: "columns-not-known" };
  const options = optionColumns(sheet.headers);
  const seen = new Set<string>();
  const items = sheet.rows.map((row, place): ReadItem => {
    // The first row is that of the headers, as a spreadsheet counts.
    const at = String(place + 2);
    const cells = withOptions(cellsOf(row, columns), row, options);
    const reading = itemOfRow(cells);
    const title = cells.question.replace(/\s+/g, " ").slice(0, 120);
    const refused = (code: "id-twice" | "body-unsound", about: string): ReadItem => ({
      at,
      title,
      item: null,
      remarks: [{ code, at: about }],
      original: null,
    });
    if (!reading.item) return { at, title, ...reading, original: null };
    const [fault] = faultsOf(reading.item.body);
    if (fault) return refused("body-unsound", fault.path);
    if (cells.id !== "" && seen.has(cells.id)) return refused("id-twice", cells.id);
    seen.add(cells.id);
    return { at, title, ...reading, original: null };
  });
  return { ok: true, items };
}

function cellsOf(row: readonly string[], columns: Readonly<Record<ItemColumn, readonly number[]>>): ItemCells {
  const cell = (column: ItemColumn) => row[columns[column][0] ?? -1] ?? "";
  const wrong = columns.wrong.flatMap((place, nth) => {
    const text = row[place] ?? "";
    // A column of mistakes stands beside each of wrong answers, or there is none.
    return text === "" ? [] : [{ text, mistake: row[columns.mistake[nth] ?? -1] ?? "" }];
  });
  const { wrong: _wrong, mistake: _mistake, ...single } = columns;
  const cells = Object.fromEntries(Object.keys(single).map((column) => [column, cell(column as ItemColumn)]));
  // Several columns of answers are several right ones.
  const answers = columns.answer.map((place) => row[place] ?? "").filter((text) => text !== "");
  return { ...(cells as Omit<ItemCells, "wrong">), answer: answers.join("\n"), wrong };
}

/** Where a row has options of which the answer names some, by letter or in full, those are right and the others wrong. */
function withOptions(cells: ItemCells, row: readonly string[], places: readonly number[]): ItemCells {
  const options = places.map((place) => row[place] ?? "");
  if (options.every((text) => text === "")) return cells;
  const letters = cells.answer
    .toUpperCase()
    .split(/[\s,;&|]+/)
    .filter((one) => one !== "");
  const areLetters = letters.every(
    (letter) => /^[A-H]$/.test(letter) && (options[letter.charCodeAt(0) - 65] ?? "") !== "",
  );
  const right = areLetters
    ? letters.map((letter) => options[letter.charCodeAt(0) - 65] ?? "")
    : cells.answer.split("\n").map((line) => line.trim());
  const wrong = options.filter((text) => text !== "" && !right.includes(text)).map((text) => ({ text, mistake: "" }));
  return { ...cells, answer: right.join("\n"), wrong: [...wrong, ...cells.wrong] };
}
