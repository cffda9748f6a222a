import { bareName } from "./bareName";
import type { RosterEntry } from "./rosterEntry";
import type { KnownRecord } from "./rosterRecord";

/** What speaks for two being one: all that is named is the same. */
export type SameBecause =
  | { readonly code: "title-and-school" }
  | { readonly code: "email" }
  | { readonly code: "name-and-birth-year"; readonly birthYear: string }
  | { readonly code: "name-and-grade"; readonly grade: string };

/** Something that would be added although it is likely known already under another id. */
export interface LikelySame {
  readonly file: "users" | "classes";
  readonly key: string;
  readonly name: string;
  readonly knownId: string;
  readonly knownName: string;
  readonly because: SameBecause;
}

/**
 * People who would be added but share their email with somebody known, or their name and birth year, or their name and
 * grade; and classes that share their title with one of the same school. Only pointed out, never merged: two children may
 * well have one name. Those whom the same file keeps or changes under their own id are not meant.
 * @example likelySame([{ file: "classes", key: "c", fromSource: true, id: null, what: "added", row: 2, values: { title: "6 Alder" }, changes: [] }], [{ file: "classes", key: "k", id: "i", active: true, fromSource: false, school: "", values: { title: "6 alder" } }])[0].because // { code: "title-and-school" }
 */
export function likelySame(entries: readonly RosterEntry[], known: readonly KnownRecord[]): LikelySame[] {
  const added = entries.filter(({ what, file }) => what === "added" && (file === "users" || file === "classes"));
  if (added.length === 0) return [];
  const clues = new Map<string, KnownRecord>();
  for (const record of known) {
    if (record.file !== "users" && record.file !== "classes") continue;
    for (const { clue } of cluesOf(record.file, record.values)) if (!clues.has(clue)) clues.set(clue, record);
  }
  return added.flatMap((entry) => {
    for (const { clue, because } of cluesOf(entry.file as "users" | "classes", entry.values)) {
      const same = clues.get(clue);
      if (same)
        return [
          {
            file: entry.file as "users" | "classes",
            key: entry.key,
            name: nameOf(entry.values),
            knownId: same.id,
            knownName: nameOf(same.values),
            because,
          },
        ];
    }
    return [];
  });
}

const nameOf = (values: Readonly<Record<string, string>>) =>
  values.title ?? `${values.givenName ?? ""} ${values.familyName ?? ""}`.trim();

function cluesOf(
  file: "users" | "classes",
  values: Readonly<Record<string, string>>,
): { readonly clue: string; readonly because: SameBecause }[] {
  if (file === "classes")
    return [
      {
        clue: `class|${values.schoolSourcedId ?? ""}|${bareName(values.title ?? "")}`,
        because: { code: "title-and-school" },
      },
    ];
  const name = bareName(nameOf(values));
  const { email, birthYear, grades } = values;
  return [
    ...(email ? [{ clue: `email|${email.toLowerCase()}`, because: { code: "email" as const } }] : []),
    ...(name !== "" && birthYear
      ? [{ clue: `year|${name}|${birthYear}`, because: { code: "name-and-birth-year" as const, birthYear } }]
      : []),
    ...(name !== "" && grades
      ? [{ clue: `grade|${name}|${grades}`, because: { code: "name-and-grade" as const, grade: grades } }]
      : []),
  ];
}
