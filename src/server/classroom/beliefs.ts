import "server-only";
import { beliefOn } from "@/core/mastery/beliefOn";
import { chanceOfMastery } from "@/core/mastery/chanceOfMastery";
import { masteryToday } from "@/core/mastery/masteryToday";
import type { SkillBelief } from "@/core/mastery/skillBelief";
import { startingBelief } from "@/core/mastery/startingBelief";
import type { Queryable } from "@/db/queryable";
import type { LibrarySkill } from "@/server/library/library";
import { knownOf } from "./knownOf";

/** What is believed of students in one skill on a day (a day number), and the chance of mastery that it comes to. */
export async function beliefsIn(
  db: Queryable,
  students: readonly { readonly id: string; readonly workedAt: number | null }[],
  skill: LibrarySkill,
  day: number,
): Promise<Map<string, { readonly belief: SkillBelief; readonly chance: number }>> {
  const known = await knownOf(
    db,
    students.map(({ id }) => id),
  );
  return new Map(
    students.map(({ id, workedAt }) => {
      const { states, placements } = known(id);
      const state = states.get(skill.id);
      if (state) return [id, { belief: beliefOn(state, day), chance: masteryToday(state, day) }];
      const belief = startingBelief({ grade: workedAt, placements }, skill);
      return [id, { belief, chance: chanceOfMastery(belief) }];
    }),
  );
}
