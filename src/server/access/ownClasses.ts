import "server-only";
import { redirect } from "next/navigation";
import { cache } from "react";
import type { ClassRow } from "@/db/queries/people";
import { type Runtime, theRuntime } from "@/server/runtime/runtime";
import { requireStaffPage } from "./pages";
import type { StaffActor } from "./policy";
import { openClasses } from "./subjects";

interface ClassChoice {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
}

export interface OwnClasses {
  /** Classes that the person teaches or shares; for coordinators the school's others after them. */
  readonly all: readonly ClassChoice[];
  /** How many of `all` are the person's own. */
  readonly own: number;
  /** The classes chosen in the address; none for the whole school. */
  readonly chosen: readonly ClassChoice[];
  /** As the address has it: a class's name, "all" or "school". */
  readonly key: string;
  /** May be opened as a whole by the person. */
  readonly wholeSchool: boolean;
}

/** Stations other than the roster are read class by class: for the whole school, the list of classes leads on. */
export async function someClasses(key: string): Promise<OwnClasses> {
  const found = await ownClasses(key);
  if (key === "school") redirect("/desk/school/roster?show=classes");
  return found;
}

/** Of two classes with one name, always the same one has the plain address. */
const byName = (one: ClassRow, other: ClassRow) => compare(one.name, other.name) || compare(one.id, other.id);
const compare = (one: string, other: string) => (one < other ? -1 : one > other ? 1 : 0);

const slugOf = ({ name }: ClassRow) =>
  name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "") || "class";

/** The classes of a member of staff and those chosen by a key; null for a key that names none of them. */
export async function classesChosen(runtime: Runtime, actor: StaffActor, key: string): Promise<OwnClasses | null> {
  const rows = (await openClasses(runtime.db.read, actor)).sort(byName);
  const isOwn = ({ id }: ClassRow) => actor.classIds.includes(id);
  const used = new Map<string, number>();
  const all = [...rows.filter(isOwn), ...rows.filter((row) => !isOwn(row))].map((row) => {
    const times = (used.get(slugOf(row)) ?? 0) + 1;
    used.set(slugOf(row), times);
    return { id: row.id, name: row.name, slug: times === 1 ? slugOf(row) : `${slugOf(row)}-${times}` };
  });
  const wholeSchool = actor.coordinates.length > 0;
  const own = rows.filter(isOwn).length;
  const found = { all, own, key, wholeSchool };
  if (key === "school") return wholeSchool ? { ...found, chosen: [] } : null;
  if (key === "all") return own === 0 && wholeSchool ? null : { ...found, chosen: all.slice(0, own) };
  const one = all.find(({ slug }) => slug === key);
  return one ? { ...found, chosen: [one] } : null;
}

/** The same for the person signed in; an unknown key leads to the person's first page. */
export const ownClasses = cache(async (key: string): Promise<OwnClasses> => {
  const actor = await requireStaffPage();
  const found = await classesChosen(await theRuntime(), actor, key);
  if (found) return found;
  redirect(key === "all" ? "/desk/school/roster" : "/desk/all");
});
