import "server-only";
import type { SkillState } from "@/core/mastery/skillState";
import type { SkillStateRow } from "@/db/queries/summaries";

/** The stored summaries as the core's nouns: by student, then by skill. */
export function statesByStudent(rows: readonly SkillStateRow[]): Map<string, Map<string, SkillState>> {
  const byStudent = new Map<string, Map<string, SkillState>>();
  for (const { personId, skillId, ...state } of rows) {
    const own = byStudent.get(personId) ?? new Map<string, SkillState>();
    byStudent.set(personId, own.set(skillId, state));
  }
  return byStudent;
}
