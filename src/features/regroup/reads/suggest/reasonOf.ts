import "server-only";
import { format } from "date-fns";
import { whyGroup } from "@/core/why/whyGroup";
import type { Classroom, ClassroomStudent } from "@/server/classroom/classroom";
import type { Library, LibrarySkill } from "@/server/library/library";
import { groupBecause } from "@/words/staff/groupWords";
import { basisCounts } from "../../basisCounts";
import { needCell, type Sign } from "./needCells";

/** Why these students are a group for a skill, where no suggestion said so: the shared mistake, the chances, and what the gap is in the way of. */
export function reasonOf(
  { plan, today }: Classroom,
  library: Library,
  skill: LibrarySkill,
  members: readonly ClassroomStudent[],
  signs: readonly Sign[],
): string {
  const cells = members.map((member) => needCell(member, skill, signs));
  const why = whyGroup(
    members.map((member, place) => ({
      chance: cells[place]?.chance ?? 0,
      ready: cells[place]?.ready ?? 0,
      misconceptionIds: signs
        .filter((sign) => sign.skillId === skill.id && sign.personId === member.id)
        .map(({ misconceptionId }) => misconceptionId),
    })),
  );
  const [next] = plan
    .filter(({ skillId, fromDay }) => skill.unlocks.includes(skillId) && fromDay > today)
    .sort((x, y) => x.fromDay.localeCompare(y.fromDay));
  return groupBecause({
    why,
    mistake: why.misconceptionId === null ? null : library.misconceptionName(why.misconceptionId),
    next: next
      ? { name: library.skill(next.skillId).name, day: format(new Date(`${next.fromDay}T12:00:00`), "d MMM") }
      : null,
    basis: basisCounts(cells),
  });
}
