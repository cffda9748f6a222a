import type { SchoolDay } from "../calendar/dayNumber";
import { circleFinder } from "./circleFinder";
import { type LikelySame, likelySame } from "./likelySame";
import type { ColumnChange, RosterEntry } from "./rosterEntry";
import {
  type IncomingRecord,
  type IncomingRoster,
  type KnownRecord,
  ROSTER_FILES,
  type RosterFile,
  type RowFault,
} from "./rosterRecord";
import { type RosterRemark, remark } from "./rosterRemark";

export interface FileCount {
  readonly active: number;
  readonly added: number;
  readonly changed: number;
  readonly inactive: number;
  readonly restored: number;
  readonly unchanged: number;
  /** Known here, not in the file, and kept because it was made here. */
  readonly kept: number;
  /** Not known here, and over by the file's own dates: nothing to add. */
  readonly over: number;
}

export interface RosterDifference {
  readonly entries: readonly RosterEntry[];
  readonly counts: Readonly<Partial<Record<RosterFile, FileCount>>>;
  /** People and classes that are likely there already under another id. */
  readonly likely: readonly LikelySame[];
  readonly refused: readonly RowFault[];
}

/**
 * What a roster file would change before anything does. Things are recognised by the id of the roster's source, by a link
 * that was made by hand (id in the file to Oxbow's id), or, for students that no file has brought so far, by the school's own
 * student number. An empty cell says nothing: it never wipes what is known. What a bulk file leaves out becomes inactive, in
 * the schools that the file is about, unless it was made in Oxbow. Rows that refer to what is refused are refused with it. Roles and
 * enrollments whose end (exclusive, as in the standard) is `today` or before have ended.
 */
export function rosterDifference(
  known: readonly KnownRecord[],
  incoming: IncomingRoster,
  links: Readonly<Record<string, string>>,
  today: SchoolDay,
): RosterDifference {
  const entries: RosterEntry[] = [];
  const counts: Partial<Record<RosterFile, FileCount>> = {};
  const refused: RowFault[] = [];
  const present = presentOf(known, links);
  const schools = incoming.orgs?.mode === "bulk" ? new Set(incoming.orgs.records.map(({ key }) => key)) : null;
  for (const file of ROSTER_FILES) {
    const table = incoming[file];
    if (!table) continue;
    const own = known.filter((record) => record.file === file);
    const recognise = recogniser(own, links);
    const circle = circleFinder(own, table.records);
    const tally = { added: 0, changed: 0, inactive: 0, restored: 0, unchanged: 0, kept: 0, over: 0 };
    const seen = new Set<string>();
    for (const row of table.records) {
      const record = isOver(row, today) ? { ...row, gone: true } : row;
      const match = recognise(record);
      const fault =
        faultOf(record, match, seen, present) ??
        (circle(record) ? faultAt(record, "parentSourcedId", remark("parents-in-circle")) : null);
      // A refused row still says that the thing exists: it must not end for want of a better row.
      if (match) seen.add(match.id);
      if (fault) {
        refused.push(fault);
        if (!match) present.keys.get(file)?.delete(record.key);
        continue;
      }
      addTo(present, record, match);
      const entry = entryOf(record, match);
      if (entry) {
        entries.push(entry);
        tally[entry.what]++;
      } else if (match?.active) tally.unchanged++;
      else if (!match && record.gone && !row.gone) tally.over++;
    }
    if (table.mode === "bulk")
      for (const record of own) {
        if (!record.active || seen.has(record.id)) continue;
        if (schools && record.school !== "" && !schools.has(record.school)) continue;
        if (!record.fromSource) {
          tally.kept++;
          continue;
        }
        const { key, id, values } = record;
        entries.push({ file, key, fromSource: true, id, what: "inactive", row: null, values, changes: [] });
        tally.inactive++;
      }
    counts[file] = { active: own.filter(({ active }) => active).length, ...tally };
  }
  return { entries, counts, refused, likely: likelySame(entries, known) };
}

/** Whether a role or an enrollment has ended by its own date. */
const isOver = ({ file, values: { endDate } }: IncomingRecord, today: SchoolDay): boolean =>
  (file === "roles" || file === "enrollments") && endDate !== undefined && endDate !== "" && endDate <= today;

type Recognise = (record: IncomingRecord) => KnownRecord | undefined;

/** Finds the known thing that a row stands for: by its source's id, by a link, or by a student number no file has brought. */
function recogniser(own: readonly KnownRecord[], links: Readonly<Record<string, string>>): Recognise {
  const byKey = new Map<string, KnownRecord>();
  const byId = new Map<string, KnownRecord>();
  const byNumber = new Map<string, KnownRecord>();
  for (const record of own) {
    byId.set(record.id, record);
    // Of two under one id, the active one counts: an earlier enrollment may have had the same id.
    if (!byKey.get(record.key)?.active) byKey.set(record.key, record);
    const number = record.values.identifier;
    if (record.file === "users" && !record.fromSource && number) byNumber.set(`${record.school}|${number}`, record);
  }
  return ({ key, values }) => {
    const link = links[key];
    const number = `${values.primaryOrgSourcedId ?? ""}|${values.identifier ?? ""}`;
    return byKey.get(key) ?? (link === undefined ? undefined : byId.get(link)) ?? byNumber.get(number);
  };
}

/** What rows may refer to, and what only one person may have. */
interface Present {
  readonly keys: Map<RosterFile, Set<string>>;
  /** "column school value" to the key of whoever has it. */
  readonly claims: Map<string, string>;
}

function presentOf(known: readonly KnownRecord[], links: Readonly<Record<string, string>>): Present {
  const keys = new Map<RosterFile, Set<string>>(ROSTER_FILES.map((file) => [file, new Set()]));
  const claims = new Map<string, string>();
  const linked = new Map(Object.entries(links).map(([key, id]) => [id, key]));
  for (const record of known) {
    const key = linked.get(record.id) ?? record.key;
    keys.get(record.file)?.add(record.key).add(key);
    for (const claim of claimsOf(record)) claims.set(claim, key);
  }
  return { keys, claims };
}

function addTo(present: Present, record: IncomingRecord, match: KnownRecord | undefined): void {
  present.keys.get(record.file)?.add(record.key);
  if (record.gone) return;
  if (match) for (const claim of claimsOf(match)) present.claims.delete(claim);
  for (const claim of claimsOf(record, match)) present.claims.set(claim, record.key);
}

/** The student number within a school, and the email, belong to one person each. */
function claimsOf(record: Pick<KnownRecord, "file" | "values">, match?: KnownRecord): string[] {
  if (record.file !== "users") return [];
  const values: KnownRecord["values"] = match ? { ...match.values, ...record.values } : record.values;
  return [
    ...(values.identifier ? [`identifier ${values.primaryOrgSourcedId ?? ""} ${values.identifier}`] : []),
    ...(values.email ? [`email  ${values.email.toLowerCase()}`] : []),
  ];
}

/** Columns that refer to other files. */
const REFERENCES: Readonly<Partial<Record<RosterFile, readonly (readonly [string, RosterFile])[]>>> = {
  courses: [["orgSourcedId", "orgs"]],
  classes: [
    ["courseSourcedId", "courses"],
    ["schoolSourcedId", "orgs"],
  ],
  users: [["primaryOrgSourcedId", "orgs"]],
  roles: [
    ["userSourcedId", "users"],
    ["orgSourcedId", "orgs"],
  ],
  enrollments: [
    ["userSourcedId", "users"],
    ["classSourcedId", "classes"],
  ],
  memberships: [["userSourcedId", "users"]],
  supports: [["userSourcedId", "users"]],
};

function faultAt(record: IncomingRecord, column: string, reason: RosterRemark): RowFault {
  return {
    file: `${record.file}.csv`,
    row: record.row,
    column,
    value: column === "sourcedId" ? record.key : (record.values[column] ?? ""),
    reason,
    suggestion: null,
  };
}

function faultOf(
  record: IncomingRecord,
  match: KnownRecord | undefined,
  seen: ReadonlySet<string>,
  { keys, claims }: Present,
): RowFault | null {
  if (match && seen.has(match.id)) return faultAt(record, "sourcedId", remark("same-thing-twice"));
  if (record.gone) return null;
  for (const claim of claimsOf(record, match)) {
    const holder = claims.get(claim);
    if (holder === undefined || holder === record.key || holder === match?.key) continue;
    const [column = ""] = claim.split(" ");
    return faultAt(record, column, remark(column === "email" ? "address-taken" : "number-taken"));
  }
  for (const [column, to] of REFERENCES[record.file] ?? []) {
    const value = record.values[column];
    if (value && !keys.get(to)?.has(value))
      return faultAt(
        record,
        column,
        to === "orgs" ? remark("school-not-open") : remark("reference-missing", { file: `${to}.csv` }),
      );
  }
  return null;
}

function entryOf(record: IncomingRecord, match: KnownRecord | undefined): RosterEntry | null {
  const { file, key, fromSource, row, values } = record;
  if (record.gone) {
    if (!match?.active) return null;
    const last = values.endDate ? { ...match.values, endDate: values.endDate } : match.values;
    return { file, key: match.key, fromSource, id: match.id, what: "inactive", row, values: last, changes: [] };
  }
  if (!match) return { file, key, fromSource, id: null, what: "added", row, values, changes: [] };
  const before = match.active ? match.values : undated(match.values);
  const changes = Object.entries(values).flatMap(([column, to]): ColumnChange[] => {
    const from = before[column] ?? "";
    return to === "" || to === from ? [] : [{ column, from, to }];
  });
  // Linked by hand or by number: from now on the source's id counts.
  if (fromSource && match.key !== key)
    changes.push({ column: "sourcedId", from: match.fromSource ? match.key : "", to: key });
  const merged = { ...before, ...Object.fromEntries(changes.map(({ column, to }) => [column, to])) };
  if (!match.active) return { file, key, fromSource, id: match.id, what: "restored", row, values: merged, changes };
  return changes.length === 0
    ? null
    : { file, key, fromSource, id: match.id, what: "changed", row, values: merged, changes };
}

/** What comes back begins anew: its earlier dates are those of what has ended. */
function undated({ beginDate: _begin, endDate: _end, ...rest }: KnownRecord["values"]): KnownRecord["values"] {
  return rest;
}
