/** A file that every workbook (XLSX) holds; names of a zip's files stand in it as they are. */
const WORKBOOK = new TextEncoder().encode("xl/workbook.xml");

/** Whether a file is a zip. */
export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Whether a file is a workbook (XLSX), told from other zips. */
export function isWorkbook(bytes: Uint8Array): boolean {
  if (!isZip(bytes)) return false;
  const [first = 0] = WORKBOOK;
  for (let at = bytes.indexOf(first); at >= 0; at = bytes.indexOf(first, at + 1))
    if (WORKBOOK.every((byte, place) => bytes[at + place] === byte)) return true;
  return false;
}
