import ExcelJS from "exceljs";
import Papa from "papaparse";
import { neutralised } from "./neutralised";
import type { TableSheet } from "./tableSheet";

const MOST_LETTERS = 31;
const WIDEST = 60;

/** A table as delimited text, headers first; numbers as they are, texts so that nothing runs as a formula. */
export function writeTableText({ columns, rows }: TableSheet): Uint8Array {
  const text = Papa.unparse(
    [
      columns.map(({ title }) => neutralised(title)),
      ...rows.map((row) => row.map((cell) => (typeof cell === "string" ? neutralised(cell) : (cell ?? "")))),
    ],
    { newline: "\r\n" },
  );
  // The mark at the start tells spreadsheet programs that the accents are in UTF-8.
  return new TextEncoder().encode(`\uFEFF${text}\r\n`);
}

/** Tables as one workbook, a sheet each: numbers stay numbers, to be reckoned with. */
export async function writeTables(tables: readonly TableSheet[]): Promise<Uint8Array> {
  const workbook = new ExcelJS.Workbook();
  for (const { name, columns, rows } of tables) {
    const sheet = workbook.addWorksheet(sheetName(name), { views: [{ state: "frozen", ySplit: 1 }] });
    sheet.addRow(columns.map(({ title }) => title));
    for (const row of rows) sheet.addRow([...row]);
    sheet.getRow(1).font = { bold: true };
    columns.forEach(({ title, holds }, place) => {
      const column = sheet.getColumn(place + 1);
      const longest = Math.max(title.length, ...rows.slice(0, 200).map((row) => String(row[place] ?? "").length));
      column.width = Math.min(WIDEST, Math.max(8, longest + 2));
      // A text that looks like a number or a formula stays a text.
      if (holds === "text") column.numFmt = "@";
    });
  }
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}

const sheetName = (name: string): string => name.replace(/[[\]:*?/\\]/g, " ").slice(0, MOST_LETTERS);
