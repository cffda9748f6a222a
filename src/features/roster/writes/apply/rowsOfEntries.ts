import "server-only";
import type { RosterEntry } from "@/core/roster/rosterEntry";
import { ROSTER_FILES, type RosterFile } from "@/core/roster/rosterRecord";
import { addedRow, changedRow } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { breathing } from "@/server/runtime/breathing";
import { ROSTER_TABLES, tablesOf } from "../../reads/tables/allTables";
import { extraOf } from "../../reads/tables/extra";
import type { AnyRow, Applying, Columns, IdOf, Look, Reading, RosterTable } from "../../reads/tables/rosterTable";
import { echo, idsOf, personKinds, refer, usualGrades } from "./applying";

/** The rows that a difference adds and changes, in an order in which each refers only to what stands before it. */
export async function rowsOfEntries(entries: readonly RosterEntry[], applying: Applying): Promise<RowChange[]> {
  const ids = idsOf(entries, applying);
  const schools = new Map(applying.roster.classes.map(({ id, schoolId }) => [id, schoolId]));
  const shared = {
    ids,
    look: { keyOf: applying.keyOf, schoolOfClass: (classId: string) => schools.get(classId) ?? "" },
    kinds: personKinds(entries, applying),
    usualGrades: usualGrades(entries, applying),
    applying,
  };
  const known = knownRows(applying);
  const rows: RowChange[] = [];
  const ends: RowChange[] = [];
  const breathe = breathing();
  for (const file of ROSTER_FILES)
    for (const entry of entries) {
      if (entry.file !== file) continue;
      const pause = breathe();
      if (pause) await pause;
      const reading: Reading = { ...shared, entry, idOf: refer(ids, entry.values) };
      const found = entry.id === null ? undefined : known.get(entry.id);
      if (entry.what !== "inactive")
        rows.push(...(found ? changeOf(found.table, found.row, reading) : additionOf(reading)));
      else if (found) {
        const values = found.table.end(found.row, entry.values, applying);
        if (values) ends.push(changedRow(found.table.name, found.row, values));
      }
    }
  return [...rows, ...ends];
}

interface KnownRow {
  readonly table: RosterTable;
  readonly row: AnyRow;
}

const knownRows = (applying: Applying): ReadonlyMap<string, KnownRow> =>
  new Map(ROSTER_TABLES.flatMap((table) => table.rows(applying).map((row) => [row.id, { table, row }] as const)));

const tableFor = (file: RosterFile, values: Columns): RosterTable | undefined =>
  tablesOf(file).find((table) => table.holds(values));

function additionOf(reading: Reading): RowChange[] {
  const { entry, ids, applying } = reading;
  const { file, key, values, fromSource } = entry;
  const table = tableFor(file, values);
  const row = table?.fresh(table.own(values, reading, null), ids(file)(key) ?? applying.newId(), reading);
  if (!table || !row) return [];
  const kept = table.keepsSource
    ? { sourcedId: fromSource ? key : null, extra: extraOfNew(table, row, values, reading.ids) }
    : {};
  return [addedRow(table.name, { ...row, ...kept }), ...(table.withNew?.(row, reading) ?? [])];
}

function extraOfNew(table: RosterTable, row: AnyRow, values: Columns, ids: (file: RosterFile) => IdOf) {
  if (table.extraOfNew) return table.extraOfNew(values);
  const look: Look = { keyOf: echo(values, ids), schoolOfClass: () => "" };
  return extraOf(values, table.columns(row, look));
}

/** The columns that a known row gets; what a file says nothing of stays. */
function changeOf(table: RosterTable, row: AnyRow, reading: Reading): RowChange[] {
  const own = table.own(reading.entry.values, reading, row);
  const changes: RowChange[] = [];
  if (reading.entry.what === "restored") {
    const back = table.back(own);
    if (back === null) return additionOf(onceMore(reading));
    changes.push(changedRow(table.name, row, back));
    // A role that comes back is what the file now says it is, and nothing else of it has a life of its own.
    if (!("archivedAt" in back)) return changes;
  }
  const said = Object.fromEntries(Object.entries(own).filter(([, value]) => value !== null));
  const wanted = { ...said, ...(table.keepsSource ? sourceOf(table, { ...row, ...said }, reading) : {}) };
  const differing = Object.entries(wanted).filter(
    ([column, value]) => JSON.stringify(row[column] ?? null) !== JSON.stringify(value ?? null),
  );
  if (differing.length > 0) changes.push(changedRow(table.name, row, Object.fromEntries(differing)));
  return changes;
}

/** The source's id, where it is new, and what else the source's row says. */
function sourceOf(table: RosterTable, after: AnyRow, { entry, look }: Reading): Readonly<Record<string, unknown>> {
  const source = entry.changes.find(({ column }) => column === "sourcedId")?.to;
  const extra = extraOf(entry.values, table.columns(after, look));
  return source === undefined ? { extra } : { sourcedId: source, extra };
}

/** The same thing once more gets an id of its own: what was before stays as it was. */
function onceMore(reading: Reading): Reading {
  const { ids, entry, applying } = reading;
  return {
    ...reading,
    entry: { ...entry, id: null },
    ids: (file) => (key) => (file === entry.file ? applying.newId() : ids(file)(key)),
  };
}
