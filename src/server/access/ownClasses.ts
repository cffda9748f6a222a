import "server-only";
import { redirect } from "next/navigation";
import { cache } from "react";
import { type ClassRow, classesOfStaff } from "@/db/queries/people";
import { theRuntime } from "@/server/runtime/runtime";
import { requireStaffPage } from "./pages";

export interface OwnClasses {
  readonly all: readonly { readonly id: string; readonly name: string; readonly slug: string }[];
  /** The classes chosen in the address. */
  readonly chosen: readonly { readonly id: string; readonly name: string; readonly slug: string }[];
  /** As the address has it: a class's name, or "all". */
  readonly key: string;
}

const slugOf = ({ name }: ClassRow) =>
  name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "") || "class";

/** The classes of the teacher signed in and those chosen in the address; an unknown name leads to all classes. */
export const ownClasses = cache(async (key: string): Promise<OwnClasses> => {
  const actor = await requireStaffPage();
  const rows = await classesOfStaff((await theRuntime()).db.read, actor.personId);
  const used = new Map<string, number>();
  const all = rows.map((row) => {
    const times = (used.get(slugOf(row)) ?? 0) + 1;
    used.set(slugOf(row), times);
    return { id: row.id, name: row.name, slug: times === 1 ? slugOf(row) : `${slugOf(row)}-${times}` };
  });
  if (key === "all") return { all, chosen: all, key };
  const one = all.find(({ slug }) => slug === key);
  if (!one) redirect("/desk/all");
  return { all, chosen: [one], key };
});
