import { guessColumns } from "@/core/roster/guessColumns";
import { importWarnings } from "@/core/roster/importWarnings";
import { type Move, movesOf } from "@/core/roster/movesOf";
import { readRosterSheet, SHEET, type SheetSurroundings } from "@/core/roster/readRosterSheet";
import { type RosterDifference, rosterDifference } from "@/core/roster/rosterDifference";
import { ROSTER_FIELDS, type RosterMapping } from "@/core/roster/rosterField";
import type { IncomingRecord, IncomingRoster, KnownRecord, RowFault } from "@/core/roster/rosterRecord";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
import { supportsOfCell } from "@/words/staff/supportsWords";
import { readOneRoster } from "../package/readOneRoster";
import { readSheetFile } from "../table/readSheetFile";
import { incomingOfPackage } from "./incomingOfPackage";

/** The file, and what was said about it: all that can be read without knowing the roster. */
export interface RosterPreviewInput {
  readonly kind: "package" | "sheet";
  readonly bytes: Uint8Array;
  /** Cells typed anew, by "file row column". */
  readonly repairs: Readonly<Record<string, string>>;
  /** Ids in the file that stand for something known here, by Oxbow's id. */
  readonly links: Readonly<Record<string, string>>;
  /** Columns of a sheet that were set by hand. */
  readonly mapping: Readonly<Record<string, number | null>>;
  /** The school's day. */
  readonly today: string;
  readonly mostRows: number;
}

/** The roster that the file is compared with. */
export interface RosterSurroundings {
  readonly known: readonly KnownRecord[];
  readonly around: SheetSurroundings;
  /** A class that is made together with the sheet's students. */
  readonly newClass: IncomingRecord | null;
}

export type RosterPreview =
  | {
      readonly ok: true;
      readonly difference: RosterDifference;
      readonly faults: readonly RowFault[];
      readonly moves: readonly Move[];
      readonly warnings: readonly RosterRemark[];
      readonly notes: readonly RosterRemark[];
      /** Files of a package that were not read. */
      readonly unread: readonly string[];
      /** Columns of a sheet with what each was taken for; empty for a package. */
      readonly headers: readonly string[];
      readonly mapping: RosterMapping | null;
    }
  | { readonly ok: false; readonly why: RosterRemark };

/**
 * What a roster file would change: the whole way from its bytes to the difference. Never throws for what a file holds. The
 * roster may still be on its way while the file is read.
 */
export async function previewRoster(
  input: RosterPreviewInput,
  roster: Promise<RosterSurroundings>,
  progress: (share: number, what: RosterRemark) => void = () => {},
): Promise<RosterPreview> {
  const read = input.kind === "package" ? readPackage(input, progress) : await readSheet(input, roster, progress);
  if (!read.ok) return read;
  progress(0.8, remark("comparing"));
  const { known } = await roster;
  const difference = rosterDifference(known, read.incoming, input.links, input.today);
  return {
    ...read,
    notes: [...read.notes, ...notesOf(difference)],
    difference,
    faults: [...read.faults, ...difference.refused],
    moves: movesOf(difference.entries, subjectsOf(known, read.incoming)),
    warnings: importWarnings(difference.counts),
  };
}

function notesOf({ counts }: RosterDifference): RosterRemark[] {
  const over = (counts.roles?.over ?? 0) + (counts.enrollments?.over ?? 0);
  return over === 0 ? [] : [remark("over-left-out", { count: over })];
}

interface Read {
  readonly ok: true;
  readonly incoming: IncomingRoster;
  readonly faults: readonly RowFault[];
  readonly notes: readonly RosterRemark[];
  readonly unread: readonly string[];
  readonly headers: readonly string[];
  readonly mapping: RosterMapping | null;
}
type Refused = { readonly ok: false; readonly why: RosterRemark };

function readPackage(
  { bytes, repairs }: RosterPreviewInput,
  progress: (share: number, what: RosterRemark) => void,
): Read | Refused {
  const reading = readOneRoster(bytes, repairs, (share, what) => progress(share * 0.7, what));
  if (!reading.ok) return reading;
  const { incoming, notes, faults } = incomingOfPackage(reading.package, reading.rowOf);
  const { unread } = reading;
  return { ok: true, incoming, faults: [...reading.faults, ...faults], notes, unread, headers: [], mapping: null };
}

async function readSheet(
  input: RosterPreviewInput,
  roster: Promise<RosterSurroundings>,
  progress: (share: number, what: RosterRemark) => void,
): Promise<Read | Refused> {
  progress(0.1, remark("reading-sheet"));
  const sheet = await readSheetFile(input.bytes, input.mostRows);
  if (!sheet.ok) return sheet;
  const guessed = guessColumns(sheet.headers);
  const mapping = Object.fromEntries(
    ROSTER_FIELDS.map((field) => [field, field in input.mapping ? (input.mapping[field] ?? null) : guessed[field]]),
  ) as RosterMapping;
  progress(0.5, remark("reading-rows"));
  const rows = sheet.rows.map((cells, place) =>
    sheet.headers.map((header, column) => input.repairs[`${SHEET} ${place + 2} ${header}`] ?? cells[column] ?? ""),
  );
  const { known, around, newClass } = await roster;
  const reading = readRosterSheet(sheet.headers, rows, mapping, known, { ...around, supportsOfCell });
  const incoming: IncomingRoster = newClass
    ? { classes: { mode: "delta", records: [newClass] }, ...reading.incoming }
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
