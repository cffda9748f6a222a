import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { groupBy } from "@/core/collections/groupBy";
import { MASTERY_BOUNDARY } from "@/core/mastery/masteryBoundary";
import { SKILL_SPREAD } from "@/core/mastery/skillBelief";
import { scaleScore } from "@/core/measurement/scaleScore";
import { holdingBack, type Level, strandLevel, type WeighedStrand, wholeLevel } from "@/core/measurement/strandLevel";
import { placementsOf } from "@/db/queries/placements";
import { skillsOnDays } from "@/db/queries/summaries";
import type { LibrarySkill } from "@/server/library/library";
import type { Runtime } from "@/server/runtime/runtime";
import type { School } from "@/server/runtime/school";
import { dayAt } from "@/server/runtime/school";
import type { ScaleLevel } from "../../studentTypes";

/** Where a student stood on a day, strand by strand and in all. */
export interface LevelsOn {
  readonly on: number;
  /** Of each subject as a whole, by its id. */
  readonly wholes: ReadonlyMap<string, Level>;
  readonly strands: readonly (WeighedStrand & { readonly subjectId: string })[];
  /** Ids of strands that hold their subject down, those that most builds on first. */
  readonly holding: readonly string[];
}

/**
 * The levels of a student on some days (day numbers), from the skills answered by then and where diagnostics had placed them. A strand weighs as
 * many as it has skills of the student's scope.
 */
export async function levelsOn(
  runtime: Runtime,
  school: School,
  personId: string,
  skills: readonly LibrarySkill[],
  days: readonly number[],
): Promise<LevelsOn[]> {
  const db = runtime.db.read;
  const [rows, placements] = await Promise.all([skillsOnDays(db, [personId], days), placementsOf(db, [personId])]);
  const skillOf = new Map(skills.map((skill) => [skill.id, skill]));
  const strandIds = [...new Set(skills.map(({ strandId }) => strandId))];
  const carries = new Map(strandIds.map((id) => [id, carriedBy(id, skills)]));
  const byDay = groupBy(rows, ({ on }) => on);
  return days.map((on) => {
    const own = (byDay.get(on) ?? []).flatMap(({ skillId, mean, spread }) => {
      const skill = skillOf.get(skillId);
      if (!skill || mean === null || spread === null) return [];
      return [{ strandId: skill.strandId, theta: skill.difficulty + MASTERY_BOUNDARY + mean, se: spread }];
    });
    const placed = placements.filter(({ placedAt }) => dayNumber(dayAt(school, placedAt)) <= on);
    const strands = strandIds.flatMap((id): LevelsOn["strands"] => {
      const latest = placed.filter(({ strandId }) => strandId === id).at(-1);
      // A diagnostic measures the strand itself; a skill lies around it.
      const answered = strandLevel(
        own.filter(({ strandId }) => strandId === id),
        SKILL_SPREAD,
      );
      const level = answered ?? (latest ? { theta: latest.theta, se: latest.se } : null);
      if (!level) return [];
      const inside = skills.filter(({ strandId }) => strandId === id);
      const subjectId = inside[0]?.subjectId ?? "";
      return [{ id, subjectId, ...level, weight: inside.length, carries: carries.get(id) ?? 0 }];
    });
    const subjects = [...groupBy(strands, ({ subjectId }) => subjectId)];
    return {
      on,
      wholes: new Map(
        subjects.flatMap(([subjectId, own]) => {
          const whole = wholeLevel(own);
          return whole ? [[subjectId, whole] as const] : [];
        }),
      ),
      strands,
      holding: subjects.flatMap(([, own]) => holdingBack(own).map(({ id }) => id)),
    };
  });
}

/** How many skills of other strands build directly on a strand. */
function carriedBy(strandId: string, skills: readonly LibrarySkill[]): number {
  const inside = new Set(skills.filter((skill) => skill.strandId === strandId).map(({ id }) => id));
  return skills.filter((skill) => skill.strandId !== strandId && skill.prerequisites.some((id) => inside.has(id)))
    .length;
}

/** A level as it is reported. */
export function reported(level: Level): ScaleLevel {
  const { score, se } = scaleScore(level);
  return { score: Math.round(score), se: Math.round(se) };
}
