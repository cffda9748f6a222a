import ExcelJS from "exceljs";
import { readZip } from "../package/readZip";
import type { SheetReading } from "./readSheet";

/** Limits against workbooks that unpack to more than a roster can hold. */
const LIMITS = { mostFiles: 200, mostBytes: 120_000_000, mostExpansion: 300, keepFolders: true } as const;
const MOST_COLUMNS = 60;

/**
 * Reads the first sheet of a workbook (XLSX, ISO/IEC 29500) that holds anything: its first row as headers, the others as
 * trimmed texts, empty rows left out. Formulas count with the value they last had. Never throws.
 */
export async function readXlsx(bytes: Uint8Array, mostRows: number): Promise<SheetReading> {
  // The archive is checked before the workbook's own reader unpacks it.
  const zip = readZip(bytes, LIMITS);
  if (!zip.ok) return refused(zip.message);
  if (![...zip.files.keys()].some((name) => name.startsWith("xl/")))
    return refused("This zip file is no workbook. Choose a sheet saved as XLSX or CSV, or a roster package.");
  const workbook = new ExcelJS.Workbook();
  try {
    await workbook.xlsx.load(bytes.slice().buffer);
  } catch {
    return refused("The workbook is damaged and could not be read. Save it anew, or save it as CSV.");
  }
  const sheet = workbook.worksheets.find(({ actualRowCount }) => actualRowCount > 0);
  if (!sheet || sheet.actualRowCount < 2)
    return refused(
      "The workbook has no rows under its headers. The first row names the columns; each further row is a student.",
    );
  if (sheet.columnCount > MOST_COLUMNS)
    return refused(`The sheet has ${sheet.columnCount} columns; at most ${MOST_COLUMNS} can be read.`);
  if (sheet.actualRowCount - 1 > mostRows)
    return refused(`The sheet has ${sheet.actualRowCount - 1} rows; at most ${mostRows} can be read at once.`);
  const width = sheet.columnCount;
  const lines: string[][] = [];
  sheet.eachRow((row) => {
    const cells = Array.from({ length: width }, (_, column) => textOf(row.getCell(column + 1)));
    if (cells.some((cell) => cell !== "")) lines.push(cells);
  });
  const [first = [], ...rows] = lines;
  const others = workbook.worksheets.filter((one) => one !== sheet && one.actualRowCount > 0).map(({ name }) => name);
  const notes = others.length > 0 ? [`Only the sheet “${sheet.name}” was read; not: ${others.join(", ")}.`] : [];
  return { ok: true, headers: first.map((header, place) => header || `Column ${place + 1}`), rows, notes };
}

function textOf(cell: ExcelJS.Cell): string {
  const { value } = cell;
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (value !== null && typeof value === "object" && "error" in value) return "";
  return cell.text.trim();
}

const refused = (message: string): SheetReading => ({ ok: false, message });
