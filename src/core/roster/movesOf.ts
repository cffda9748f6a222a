import type { RosterEntry } from "./rosterEntry";

/** A student who leaves one class for another of the same file. Keys are those of the roster's source. */
export interface Move {
  readonly personKey: string;
  readonly fromClassKey: string;
  readonly toClassKey: string;
  /** The enrollments that end and begin. */
  readonly ends: string;
  readonly begins: string;
}

/**
 * Pairs enrollments of a student that end with ones that begin where both classes are of the same subject: what a reader
 * of the difference calls a move. `subjectOf` gives the subject of a class by its key.
 */
export function movesOf(entries: readonly RosterEntry[], subjectOf: (classKey: string) => string): Move[] {
  const ended = new Map<string, RosterEntry[]>();
  for (const entry of entries)
    if (entry.file === "enrollments" && entry.what === "inactive" && entry.values.role === "student") {
      const person = entry.values.userSourcedId ?? "";
      ended.set(person, [...(ended.get(person) ?? []), entry]);
    }
  return entries.flatMap((entry): Move[] => {
    const begins = entry.what === "added" || entry.what === "restored";
    if (entry.file !== "enrollments" || !begins || entry.values.role !== "student") return [];
    const personKey = entry.values.userSourcedId ?? "";
    const toClassKey = entry.values.classSourcedId ?? "";
    const left = ended.get(personKey) ?? [];
    const from = left.find(({ values }) => subjectOf(values.classSourcedId ?? "") === subjectOf(toClassKey));
    if (!from) return [];
    ended.set(
      personKey,
      left.filter((one) => one !== from),
    );
    return [
      { personKey, fromClassKey: from.values.classSourcedId ?? "", toClassKey, ends: from.key, begins: entry.key },
    ];
  });
}
