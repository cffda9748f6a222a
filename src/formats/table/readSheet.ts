import Papa from "papaparse";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
import { decodeText } from "./decodeText";
import { headerDelimiter } from "./headerDelimiter";
import { unmarked } from "./neutralised";

export type SheetReading =
  | {
      readonly ok: true;
      readonly headers: readonly string[];
      readonly rows: readonly (readonly string[])[];
      readonly notes: readonly RosterRemark[];
    }
  | { readonly ok: false; readonly why: RosterRemark };

const MOST_BYTES = 20_000_000;
const MOST_COLUMNS = 60;

/**
 * Reads a delimited text file (comma, semicolon, tab or bar; UTF-8, UTF-16 or Windows-1252; CRLF or LF) into headers and
 * rows of trimmed cells, empty rows left out. Never throws: a file that can't be read says why and what would help.
 */
export function readSheet(bytes: Uint8Array, mostRows: number): SheetReading {
  if (bytes.length === 0) return refused(remark("file-empty"));
  if (bytes.length > MOST_BYTES) return refused(remark("file-too-large", { megabytes: MOST_BYTES / 1_000_000 }));
  const decoded = decodeText(bytes);
  if (!decoded) return refused(remark("file-not-text"));
  const parsed = Papa.parse<string[]>(decoded.text, {
    delimiter: headerDelimiter(decoded.text),
    skipEmptyLines: "greedy",
    preview: mostRows + 2,
  });
  const [first, ...rest] = parsed.data.map((row) => row.map((cell) => unmarked(cell.trim())));
  if (!first || rest.length === 0) return refused(remark("no-rows"));
  if (first.length > MOST_COLUMNS)
    return refused(remark("too-many-columns", { columns: first.length, most: MOST_COLUMNS }));
  if (rest.length > mostRows)
    return refused(remark("too-many-rows", { rows: countLines(decoded.text) - 1, most: mostRows }));
  const notes = [...decoded.notes];
  const quotes = parsed.errors.find((error) => error.type === "Quotes");
  if (quotes) notes.push(remark("quote-not-closed", { row: (quotes.row ?? 0) + 1 }));
  const width = Math.max(...rest.map((row) => row.length), first.length);
  const headers = Array.from({ length: width }, (_, place) => first[place] || `Column ${place + 1}`);
  return { ok: true, headers, rows: rest, notes };
}

function countLines(text: string): number {
  let lines = 1;
  for (let at = text.indexOf("\n"); at >= 0; at = text.indexOf("\n", at + 1)) lines++;
  return text.endsWith("\n") ? lines - 1 : lines;
}

const refused = (why: RosterRemark): SheetReading => ({ ok: false, why });
