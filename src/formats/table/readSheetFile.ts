import { readSheet, type SheetReading } from "./readSheet";
import { readXlsx } from "./readXlsx";

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Reads a sheet of any kind we know, told apart by its bytes: a workbook (XLSX), or text with commas, tabs or the like. */
export async function readSheetFile(bytes: Uint8Array, mostRows: number): Promise<SheetReading> {
  return isZip(bytes) ? readXlsx(bytes, mostRows) : readSheet(bytes, mostRows);
}
