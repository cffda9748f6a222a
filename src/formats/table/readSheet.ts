import Papa from "papaparse";
import { decodeText } from "./decodeText";
import { headerDelimiter } from "./headerDelimiter";
import { unmarked } from "./neutralised";

export type SheetReading =
  | {
      readonly ok: true;
      readonly headers: readonly string[];
      readonly rows: readonly (readonly string[])[];
      readonly notes: readonly string[];
    }
  | { readonly ok: false; readonly message: string };

const MOST_BYTES = 20_000_000;
const MOST_COLUMNS = 60;

/**
 * Reads a delimited text file (comma, semicolon, tab or bar; UTF-8, UTF-16 or Windows-1252; CRLF or LF) into headers and
 * rows of trimmed cells, empty rows left out. Never throws: a file that can't be read says why and what would help.
 */
export function readSheet(bytes: Uint8Array, mostRows: number): SheetReading {
  if (bytes.length === 0) return refused("The file is empty. Choose the sheet with one row for each student.");
  if (bytes.length > MOST_BYTES)
    return refused(
      `The file is larger than ${MOST_BYTES / 1_000_000} MB: too large for a roster sheet. Is it the right file?`,
    );
  const decoded = decodeText(bytes);
  if (!decoded)
    return refused(
      "This is not a text file. Save the sheet as CSV in your spreadsheet program, then choose that file.",
    );
  const parsed = Papa.parse<string[]>(decoded.text, {
    delimiter: headerDelimiter(decoded.text),
    skipEmptyLines: "greedy",
    preview: mostRows + 2,
  });
  const [first, ...rest] = parsed.data.map((row) => row.map((cell) => unmarked(cell.trim())));
  if (!first || rest.length === 0)
    return refused(
      "The file has no rows under its headers. The first row names the columns; each further row is a student.",
    );
  if (first.length > MOST_COLUMNS)
    return refused(`The file has ${first.length} columns; at most ${MOST_COLUMNS} can be read.`);
  if (rest.length > mostRows) {
    const rows = countLines(decoded.text) - 1;
    return refused(
      `The file has about ${rows.toLocaleString("en-GB")} rows; at most ${mostRows.toLocaleString("en-GB")} can be read at once. Choose another file, or split this one.`,
    );
  }
  const notes = [...decoded.notes];
  const quotes = parsed.errors.find((error) => error.type === "Quotes");
  if (quotes)
    notes.push(`A quotation mark near row ${(quotes.row ?? 0) + 1} is not closed; look closely at the rows after it.`);
  const width = Math.max(...rest.map((row) => row.length), first.length);
  const headers = Array.from({ length: width }, (_, place) => first[place] || `Column ${place + 1}`);
  return { ok: true, headers, rows: rest, notes };
}

function countLines(text: string): number {
  let lines = 1;
  for (let at = text.indexOf("\n"); at >= 0; at = text.indexOf("\n", at + 1)) lines++;
  return text.endsWith("\n") ? lines - 1 : lines;
}

const refused = (message: string): SheetReading => ({ ok: false, message });
