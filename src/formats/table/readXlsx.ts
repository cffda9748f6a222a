import ExcelJS from "exceljs";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
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
  if (!zip.ok) return refused(zip.why);
  if (![...zip.files.keys()].some((name) => name.startsWith("xl/"))) return refused(remark("no-workbook"));
  const workbook = new ExcelJS.Workbook();
  try {
    await workbook.xlsx.load(bytes.slice().buffer);
  } catch {
    return refused(remark("workbook-damaged"));
  }
  const sheet = workbook.worksheets.find(({ actualRowCount }) => actualRowCount > 0);
  if (!sheet || sheet.actualRowCount < 2) return refused(remark("no-rows"));
  if (sheet.columnCount > MOST_COLUMNS)
    return refused(remark("too-many-columns", { columns: sheet.columnCount, most: MOST_COLUMNS }));
  if (sheet.actualRowCount - 1 > mostRows)
    return refused(remark("too-many-rows", { rows: sheet.actualRowCount - 1, most: mostRows }));
  const width = sheet.columnCount;
  const lines: string[][] = [];
  sheet.eachRow((row) => {
    const cells = Array.from({ length: width }, (_, column) => textOf(row.getCell(column + 1)));
    if (cells.some((cell) => cell !== "")) lines.push(cells);
  });
  const [first = [], ...rows] = lines;
  const others = workbook.worksheets.filter((one) => one !== sheet && one.actualRowCount > 0).map(({ name }) => name);
  const notes = others.length > 0 ? [remark("other-sheets-unread", { name: sheet.name, others })] : [];
  return { ok: true, headers: first.map((header, place) => header || `Column ${place + 1}`), rows, notes };
}

function textOf(cell: ExcelJS.Cell): string {
  const { value } = cell;
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (value !== null && typeof value === "object" && "error" in value) return "";
  return cell.text.trim();
}

const refused = (why: RosterRemark): SheetReading => ({ ok: false, why });
