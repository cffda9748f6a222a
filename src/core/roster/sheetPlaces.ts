import { nearest } from "./nearest";
import type { RosterField } from "./rosterField";
import type { KnownRecord, RosterFile } from "./rosterRecord";
import { type RosterRemark, remark } from "./rosterRemark";

/**
 * What a sheet's rows are looked up in.
 * @example indexOf([{ file: "classes", key: "c", id: "i", active: true, fromSource: false, school: "", values: { title: "6 Alder" } }]).classes.has("6 alder") // true
 */
export function indexOf(known: readonly KnownRecord[]) {
  const students = new Map<string, KnownRecord>();
  const classes = new Map<string, KnownRecord>();
  const enrollments = new Map<string, KnownRecord[]>();
  const memberships = new Map<string, KnownRecord[]>();
  for (const record of known) {
    const { file, values, active } = record;
    if (file === "users" && values.identifier) students.set(values.identifier, record);
    if (file === "classes" && active) classes.set((values.title ?? "").toLowerCase(), record);
    const by = file === "enrollments" ? enrollments : file === "memberships" ? memberships : null;
    if (by && active && values.role !== "teacher") {
      const person = values.userSourcedId ?? "";
      by.set(person, [...(by.get(person) ?? []), record]);
    }
  }
  return { students, classes, enrollments, memberships };
}

export type SheetIndex = ReturnType<typeof indexOf>;
export type Fault = (field: RosterField, value: string, reason: RosterRemark, suggestion?: string | null) => void;
export type Put = (file: RosterFile, record: { key: string; values: Record<string, string>; gone?: boolean }) => void;

const enrollment = (person: string, classKey: string) => ({
  key: `${person}|${classKey}`,
  values: { userSourcedId: person, classSourcedId: classKey, role: "student" },
});

/** Puts a student into the one class that a sheet is for. */
export function enrollInTarget(index: SheetIndex, person: string, classKey: string, put: Put): void {
  const present = (index.enrollments.get(person) ?? []).some(({ values }) => values.classSourcedId === classKey);
  if (!present) put("enrollments", enrollment(person, classKey));
}

/** Names in one cell; a comma may belong to a name, so it parts names only where the whole is none. */
function namesIn(text: string, known: (name: string) => boolean): string[] {
  const parts = text.includes(";") || known(text) ? text.split(";") : text.split(",");
  return parts.map((name) => name.trim()).filter((name) => name !== "");
}

/** Makes a student's classes those that a cell names. */
export function enrollInNamed(
  index: SheetIndex,
  person: string,
  text: string,
  around: { readonly schoolKey: string; readonly newClassSubject: string | null; readonly grade: string },
  fault: Fault,
  put: Put,
): void {
  const names = namesIn(text, (name) => index.classes.has(name.toLowerCase()));
  const wanted = new Set<string>();
  for (const name of names) {
    const found = index.classes.get(name.toLowerCase());
    if (found) wanted.add(found.key);
    else if (around.newClassSubject !== null) {
      const key = `new-class:${name.toLowerCase()}`;
      const values = {
        title: name,
        grades: around.grade,
        classType: "scheduled",
        schoolSourcedId: around.schoolKey,
        subjects: around.newClassSubject,
      };
      index.classes.set(name.toLowerCase(), {
        file: "classes",
        key,
        values,
        id: "",
        active: true,
        fromSource: false,
        school: "",
      });
      put("classes", { key, values });
      wanted.add(key);
    } else {
      const titles = [...index.classes.values()].map(({ values }) => values.title ?? "");
      const meant = nearest(name, titles);
      const repaired = meant === null ? null : names.map((one) => (one === name ? meant : one)).join("; ");
      fault("classes", text, remark("no-class", { name }), repaired);
    }
  }
  const present = index.enrollments.get(person) ?? [];
  for (const classKey of wanted)
    if (!present.some(({ values }) => values.classSourcedId === classKey))
      put("enrollments", enrollment(person, classKey));
  // An empty cell says nothing; a student leaves all classes on the student's own page.
  if (wanted.size > 0)
    for (const { key, values } of present)
      if (!wanted.has(values.classSourcedId ?? "")) put("enrollments", { key, values: { ...values }, gone: true });
}

/** Makes a student's groups, of those that the sheet may name, the ones that a cell names. */
export function joinNamed(
  index: SheetIndex,
  person: string,
  text: string,
  groups: readonly { readonly id: string; readonly name: string }[],
  fault: Fault,
  put: Put,
): void {
  const byName = new Map(groups.map((group) => [group.name.toLowerCase(), group]));
  const names = namesIn(text, (name) => byName.has(name.toLowerCase())).filter((name) => name.toLowerCase() !== "none");
  const wanted = new Set<string>();
  for (const name of names) {
    const found = byName.get(name.toLowerCase());
    if (found) wanted.add(found.id);
    else
      fault(
        "groups",
        text,
        remark("no-group", { name }),
        nearest(
          name,
          groups.map((group) => group.name),
        ),
      );
  }
  const present = index.memberships.get(person) ?? [];
  for (const id of wanted)
    if (!present.some(({ values }) => values.group === id))
      put("memberships", { key: `${person}|${id}`, values: { userSourcedId: person, group: id } });
  for (const { key, values } of present)
    if (!wanted.has(values.group ?? "") && groups.some(({ id }) => id === values.group))
      put("memberships", { key, values: { ...values }, gone: true });
}
