import { isZip } from "./isWorkbook";
import { readSheet, type SheetReading } from "./readSheet";
import { readXlsx } from "./readXlsx";

/** Reads a sheet of any kind we know, told apart by its bytes: a workbook (XLSX), or text with commas, tabs or the like. */
export async function readSheetFile(bytes: Uint8Array, mostRows: number): Promise<SheetReading> {
  return isZip(bytes) ? readXlsx(bytes, mostRows) : readSheet(bytes, mostRows);
}
