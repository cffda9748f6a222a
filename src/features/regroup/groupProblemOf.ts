import type { GroupProblem } from "@/core/grouping/groupProblem";
import type { SuggestionView } from "./suggestTypes";

/** Need given up for a group whose chances of mastery lie one whole closer together: one reteach cannot suit all. */
const SPREAD_PENALTY = 0.3;

/** The grouping by need that a view is about, as the core works it out, on the server and in the browser alike. */
export function groupProblemOf({
  limits,
  students,
  skills,
  cells,
  need,
}: Omit<SuggestionView, "groups">): GroupProblem {
  const present = new Set(students.map(({ id }) => id));
  const known = (ids: readonly string[]) => ids.every((id) => present.has(id));
  return {
    studentIds: students.map(({ id }) => id),
    skillIds: skills.map(({ id }) => id),
    need,
    smallest: limits.smallest,
    largest: limits.largest,
    slots: limits.times.length,
    keepApart: limits.apart.filter(known),
    keepTogether: limits.together.filter(known),
    absent: limits.absent.filter((id) => present.has(id)),
    fixed: limits.fixed.filter(
      ({ studentId, skillId }) => present.has(studentId) && skills.some(({ id }) => id === skillId),
    ),
    spread: { penalty: SPREAD_PENALTY, chances: cells.map((row) => row.map(({ chance }) => chance)) },
  };
}
