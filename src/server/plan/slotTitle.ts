import "server-only";
import type { SlotContent } from "@/db/schema/plan";
import type { Library } from "@/server/library/library";

/** What a slot is called: by its own title, its unit, or its skills. */
export function slotTitle(
  { title, unitId, skillIds }: Pick<SlotContent, "title" | "unitId" | "skillIds">,
  library: Library,
) {
  if (title !== "") return title;
  const unit = library.units.find(({ id }) => id === unitId);
  if (unit) return unit.name;
  const names = library.skills.flatMap(({ id, name }) => (skillIds.includes(id) ? [name] : []));
  return names.length > 0 ? names.join(", ") : "What is not in the library any more";
}

/** What tells a slot apart from others of its plan, also in the plan of a sister class. */
export const slotKey = ({ kind, unitId, skillIds, title }: SlotContent): string =>
  [kind, unitId ?? "", title, ...skillIds].join(" ");
