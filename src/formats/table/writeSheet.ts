import ExcelJS from "exceljs";
import Papa from "papaparse";
import { neutralised } from "./neutralised";

export type SheetFormat = "csv" | "tsv" | "xlsx";

/**
 * A sheet of texts, headers first, as a file. Nothing in it runs as a formula in a spreadsheet program.
 * @param title What a workbook's sheet is called; text files have none.
 */
export async function writeSheet(
  rows: readonly (readonly string[])[],
  format: SheetFormat,
  title: string,
): Promise<Uint8Array> {
  if (format === "xlsx") return writeXlsx(rows, title);
  const text = Papa.unparse(
    rows.map((row) => row.map(neutralised)),
    { delimiter: format === "tsv" ? "\t" : ",", newline: "\r\n" },
  );
  // The mark at the start tells spreadsheet programs that the accents are in UTF-8.
  return new TextEncoder().encode(`\uFEFF${text}\r\n`);
}

async function writeXlsx(rows: readonly (readonly string[])[], title: string): Promise<Uint8Array> {
  const workbook = new ExcelJS.Workbook();
  const sheet = workbook.addWorksheet(title, { views: [{ state: "frozen", ySplit: 1 }] });
  // Written as texts, whatever they look like: a number with a leading nought keeps it, and "=1" is no formula.
  for (const row of rows) sheet.addRow([...row]);
  sheet.getRow(1).font = { bold: true };
  sheet.columns.forEach((column, place) => {
    const longest = Math.max(...rows.slice(0, 200).map((row) => row[place]?.length ?? 0));
    column.width = Math.min(40, Math.max(8, longest + 2));
    column.numFmt = "@";
  });
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}
