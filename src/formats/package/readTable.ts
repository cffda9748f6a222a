import Papa from "papaparse";
import type { RowFault } from "@/core/roster/rosterRecord";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
import { decodeText } from "../table/decodeText";
import { headerDelimiter } from "../table/headerDelimiter";
import { unmarked } from "../table/neutralised";
import { faultNoter } from "./faultNoter";
import type { OneRosterRow } from "./oneRosterPackage";

const MOST_COLUMNS = 80;
const MOST_ROWS = 400_000;
const LONGEST_CELL = 5000;

/** Cells typed anew, by "file row column". */
export type Repairs = Readonly<Record<string, string>>;

export interface TableReading {
  readonly headers: readonly string[];
  readonly rows: readonly OneRosterRow[];
  /** Row numbers as a spreadsheet shows them. */
  readonly rowOf: ReadonlyMap<OneRosterRow, number>;
  readonly faults: readonly RowFault[];
}

/** One file of a package as rows by column name. A file that cannot be read has no rows and says why; never throws. */
export function readTable(file: string, bytes: Uint8Array, repairs: Repairs = {}): TableReading {
  const refused = (reason: RosterRemark): TableReading => ({
    headers: [],
    rows: [],
    rowOf: new Map(),
    faults: [{ file, row: null, column: null, value: "", reason, suggestion: null }],
  });
  if (bytes.length === 0) return refused(remark("file-empty"));
  const decoded = decodeText(bytes);
  if (!decoded) return refused(remark("file-not-text"));
  const parsed = Papa.parse<string[]>(decoded.text, {
    delimiter: headerDelimiter(decoded.text),
    preview: MOST_ROWS + 2,
  });
  const [first, ...lines] = parsed.data;
  const headers = (first ?? []).map((header) => header.trim());
  if (headers.length > MOST_COLUMNS)
    return refused(remark("too-many-columns", { columns: headers.length, most: MOST_COLUMNS }));
  const twice = headers.find((header, place) => header !== "" && headers.indexOf(header) !== place);
  if (twice !== undefined) return refused(remark("column-twice", { name: twice }));
  if (lines.length > MOST_ROWS) return refused(remark("more-rows-than", { most: MOST_ROWS }));
  const faults: RowFault[] = [];
  const rowOf = new Map<OneRosterRow, number>();
  const repairedRows = new Set(
    Object.keys(repairs).flatMap((key) => (key.startsWith(`${file} `) ? [Number(key.split(" ")[1])] : [])),
  );
  const fault = faultNoter(file, faults);
  for (const note of decoded.notes) fault(null, null, "", note);
  lines.forEach((line, place) => {
    const row = place + 2;
    if (line.every((cell) => cell.trim() === "")) return;
    if (line.length !== headers.length) {
      const counts = { cells: line.length, columns: headers.length };
      fault(row, null, line.join(","), remark("row-of-other-length", counts));
      return;
    }
    const long = line.find((cell) => cell.length > LONGEST_CELL);
    if (long !== undefined) {
      fault(row, null, long, remark("cell-too-long", { most: LONGEST_CELL }));
      return;
    }
    // Filled cell by cell: a package of a district has millions of them.
    const cells: Record<string, string> = {};
    const mended = repairedRows.has(row);
    for (let column = 0; column < headers.length; column++) {
      const header = headers[column] as string;
      const repaired = mended ? repairs[`${file} ${row} ${header}`] : undefined;
      cells[header] = repaired ?? unmarked((line[column] as string).trim());
    }
    rowOf.set(cells, row);
  });
  return { headers, rows: [...rowOf.keys()], rowOf, faults };
}
