import "server-only";
import type { SkillState } from "@/core/mastery/skillState";
import type { Placement, Placements } from "@/core/mastery/startingBelief";
import { placementsOf } from "@/db/queries/placements";
import { type SkillStateRow, skillStatesOf } from "@/db/queries/summaries";
import type { Queryable } from "@/db/queryable";

/** What is known of a student's skills: by answers, and by where diagnostics placed them. */
export interface Known {
  readonly states: ReadonlyMap<string, SkillState>;
  readonly placements: Placements;
}

const NOTHING: Known = { states: new Map(), placements: new Map() };

/** What is known of some students; of whom nothing is known, nothing. */
export async function knownOf(db: Queryable, personIds: readonly string[]): Promise<(personId: string) => Known> {
  const [states, placements] = await Promise.all([statesOf(db, personIds), placementsBy(db, personIds)]);
  return (personId) => ({
    states: states.get(personId) ?? NOTHING.states,
    placements: placements.get(personId) ?? NOTHING.placements,
  });
}

/** Where diagnostics placed one student. */
export const placementsOfStudent = async (db: Queryable, personId: string): Promise<Placements> =>
  (await placementsBy(db, [personId])).get(personId) ?? NOTHING.placements;

async function placementsBy(db: Queryable, personIds: readonly string[]): Promise<Map<string, Map<string, Placement>>> {
  const byStudent = new Map<string, Map<string, Placement>>();
  // The oldest comes first, so that the latest of a strand stays.
  for (const { personId, strandId, theta, se } of await placementsOf(db, personIds)) {
    const own = byStudent.get(personId) ?? new Map<string, Placement>();
    byStudent.set(personId, own.set(strandId, { theta, se }));
  }
  return byStudent;
}

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
