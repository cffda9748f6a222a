import "server-only";
import { mean } from "@/core/numeric/mean";
import type { ClassroomStudent } from "@/server/classroom/classroom";
import type { Library, LibrarySkill } from "@/server/library/library";

/** Of what a skill builds on directly, that in which the students stand lowest; null where it builds on nothing, or nobody is asked about. */
export function weakestUnder(
  students: readonly ClassroomStudent[],
  skill: LibrarySkill,
  library: Library,
): LibrarySkill | null {
  if (students.length === 0) return null;
  const [weakest] = skill.prerequisites
    .flatMap((id) => library.skillIfKnown(id) ?? [])
    .map((one) => ({ one, chance: mean(students.map(({ gauges }) => gauges.get(one.id)?.chance ?? 0)) }))
    .sort((x, y) => x.chance - y.chance);
  return weakest?.one ?? null;
}
