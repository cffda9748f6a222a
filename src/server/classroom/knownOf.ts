import "server-only";
import type { SkillState } from "@/core/mastery/skillState";
import type { Placements } from "@/core/mastery/startingBelief";
import { type SkillStateRow, skillStatesOf } from "@/db/queries/summaries";
import type { Queryable } from "@/db/queryable";
import { type Start, startsOf } from "./startsOf";

/** What is known of a student's skills: by answers, and by where diagnostics or scores from elsewhere placed them. */
export interface Known {
  readonly states: ReadonlyMap<string, SkillState>;
  readonly placements: ReadonlyMap<string, Start>;
}

const NOTHING: Known = { states: new Map(), placements: new Map() };

/** What is known of some students; of whom nothing is known, nothing. */
export async function knownOf(db: Queryable, personIds: readonly string[]): Promise<(personId: string) => Known> {
  const [states, placements] = await Promise.all([statesOf(db, personIds), startsOf(db, personIds)]);
  return (personId) => ({
    states: states.get(personId) ?? NOTHING.states,
    placements: placements.get(personId) ?? NOTHING.placements,
  });
}

/** Where diagnostics or scores from elsewhere placed one student. */
export const placementsOfStudent = async (db: Queryable, personId: string): Promise<Placements> =>
  (await startsOf(db, [personId])).get(personId) ?? NOTHING.placements;

const statesOf = async (db: Queryable, personIds: readonly string[]) =>
  statesByStudent(await skillStatesOf(db, personIds));

/** The stored summaries as the core's nouns: by student, then by skill. */
export function statesByStudent(rows: readonly SkillStateRow[]): Map<string, Map<string, SkillState>> {
  const byStudent = new Map<string, Map<string, SkillState>>();
  for (const { personId, skillId, ...state } of rows) {
    const own = byStudent.get(personId) ?? new Map<string, SkillState>();
    byStudent.set(personId, own.set(skillId, state));
  }
  return byStudent;
}
