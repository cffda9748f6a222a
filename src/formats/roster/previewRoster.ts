import { guessColumns } from "@/core/roster/guessColumns";
import { importWarnings } from "@/core/roster/importWarnings";
import { type Move, movesOf } from "@/core/roster/movesOf";
import { readRosterSheet, SHEET, type SheetSurroundings } from "@/core/roster/readRosterSheet";
import { type RosterDifference, rosterDifference } from "@/core/roster/rosterDifference";
import { ROSTER_FIELDS, type RosterMapping } from "@/core/roster/rosterField";
import type { IncomingRecord, IncomingRoster, KnownRecord, RowFault } from "@/core/roster/rosterRecord";
import { readOneRoster } from "../package/readOneRoster";
import { readSheetFile } from "../table/readSheetFile";
import { incomingOfPackage } from "./incomingOfPackage";

/** All that decides what a file would change. */
export interface RosterPreviewInput {
  readonly kind: "package" | "sheet";
  readonly bytes: Uint8Array;
  /** Cells typed anew, by "file row column". */
  readonly repairs: Readonly<Record<string, string>>;
  /** Ids in the file that stand for something known here, by Oxbow's id. */
  readonly links: Readonly<Record<string, string>>;
  /** Columns of a sheet that were set by hand. */
  readonly mapping: Readonly<Record<string, number | null>>;
  readonly known: readonly KnownRecord[];
  readonly around: SheetSurroundings;
  /** A class that is made together with the sheet's students. */
  readonly newClass: IncomingRecord | null;
  readonly mostRows: number;
}

export type RosterPreview =
  | {
      readonly ok: true;
      readonly difference: RosterDifference;
      readonly faults: readonly RowFault[];
      readonly moves: readonly Move[];
      readonly warnings: readonly string[];
      readonly notes: readonly string[];
      /** Files of a package that were not read. */
      readonly unread: readonly string[];
      /** Columns of a sheet with what each was taken for; empty for a package. */
      readonly headers: readonly string[];
      readonly mapping: RosterMapping | null;
    }
  | { readonly ok: false; readonly message: string };

/** What a roster file would change: the whole way from its bytes to the difference. Never throws for what a file holds. */
export async function previewRoster(
  input: RosterPreviewInput,
  progress: (share: number, what: string) => void = () => {},
): Promise<RosterPreview> {
  const read = input.kind === "package" ? readPackage(input, progress) : await readSheet(input, progress);
  if (!read.ok) return read;
  progress(0.8, "comparing with the roster");
  const difference = rosterDifference(input.known, read.incoming, input.links);
  return {
    ...read,
    difference,
    faults: [...read.faults, ...difference.refused],
    moves: movesOf(difference.entries, subjectsOf(input.known, read.incoming)),
    warnings: importWarnings(difference.counts),
  };
}

interface Read {
  readonly ok: true;
  readonly incoming: IncomingRoster;
  readonly faults: readonly RowFault[];
  readonly notes: readonly string[];
  readonly unread: readonly string[];
  readonly headers: readonly string[];
  readonly mapping: RosterMapping | null;
}
type Refused = { readonly ok: false; readonly message: string };

function readPackage(
  { bytes, repairs }: RosterPreviewInput,
  progress: (share: number, what: string) => void,
): Read | Refused {
  const reading = readOneRoster(bytes, repairs, (share, what) => progress(share * 0.7, what));
  if (!reading.ok) return reading;
  const { incoming, notes, faults } = incomingOfPackage(reading.package, reading.rowOf);
  const { unread } = reading;
  return { ok: true, incoming, faults: [...reading.faults, ...faults], notes, unread, headers: [], mapping: null };
}

async function readSheet(
  input: RosterPreviewInput,
  progress: (share: number, what: string) => void,
): Promise<Read | Refused> {
  progress(0.1, "reading the sheet");
  const sheet = await readSheetFile(input.bytes, input.mostRows);
  if (!sheet.ok) return sheet;
  const guessed = guessColumns(sheet.headers);
  const mapping = Object.fromEntries(
    ROSTER_FIELDS.map((field) => [field, field in input.mapping ? (input.mapping[field] ?? null) : guessed[field]]),
  ) as RosterMapping;
  progress(0.5, "reading the rows");
  const rows = sheet.rows.map((cells, place) =>
    sheet.headers.map((header, column) => input.repairs[`${SHEET} ${place + 2} ${header}`] ?? cells[column] ?? ""),
  );
  const reading = readRosterSheet(sheet.headers, rows, mapping, input.known, input.around);
  const incoming: IncomingRoster = input.newClass
    ? { classes: { mode: "delta", records: [input.newClass] }, ...reading.incoming }
    : reading.incoming;
  return {
    ok: true,
    incoming,
    faults: reading.refused,
    notes: [...sheet.notes, ...reading.notes],
    unread: [],
    headers: sheet.headers,
    mapping,
  };
}

/** The subject of a class by its key, known or coming. */
function subjectsOf(known: readonly KnownRecord[], incoming: IncomingRoster): (classKey: string) => string {
  const subjects = new Map<string, string>();
  for (const { file, key, values } of known) if (file === "classes") subjects.set(key, values.subjects ?? "");
  for (const { key, values } of incoming.classes?.records ?? []) subjects.set(key, values.subjects ?? "");
  return (key) => subjects.get(key) ?? "";
}
