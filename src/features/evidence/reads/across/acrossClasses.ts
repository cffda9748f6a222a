import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { classScope } from "@/core/roster/classScope";
import type { ClassRow } from "@/db/queries/people";
import { demandStaff } from "@/server/access/demand";
import { openClasses } from "@/server/access/subjects";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import type { AcrossView } from "../../acrossTypes";
import type { Search } from "../../frame/frameParams";

export interface AcrossClasses extends Pick<AcrossView, "choices" | "choice"> {
  readonly classIds: readonly string[];
}

/**
 * The classes that can be set side by side: those open to the person, by subject and grade. The address chooses; else it is
 * those beside the class in view, or the largest set.
 */
export async function acrossClasses(
  context: Context,
  inView: readonly string[],
  search: Search,
): Promise<AcrossClasses> {
  const staff = demandStaff(context.actor);
  const [rows, library] = await Promise.all([openClasses(context.runtime.db.read, staff), libraryOf(context.runtime)]);
  const subjects = library.subjectsAt(staff.schoolId);
  const sets = groupBy(rows, keyOf);
  const words = ({ subject, grade }: ClassRow) =>
    `${classScope([subject], subjects)[0]?.name ?? (subject || "any subject")}, grade ${grade ?? "not known"}`;
  const choices = [...sets]
    .map(([key, own]) => ({ key, words: words(own[0] as ClassRow), classes: own.length }))
    .sort((x, y) => x.words.localeCompare(y.words));
  const beside = rows.find(({ id }) => inView.includes(id));
  const largest = [...choices].sort((x, y) => y.classes - x.classes)[0]?.key ?? "";
  const asked = typeof search.of === "string" && sets.has(search.of) ? search.of : null;
  const choice = asked ?? (beside ? keyOf(beside) : largest);
  return { choices, choice, classIds: (sets.get(choice) ?? []).map(({ id }) => id) };
}

const keyOf = ({ subject, grade }: ClassRow): string => `${subject} ${grade ?? ""}`.toLowerCase();
