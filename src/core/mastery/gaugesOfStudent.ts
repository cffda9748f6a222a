import { LEVEL_CUTS } from "../model/levels";
import { chanceOfMastery } from "./chanceOfMastery";
import { type Gauge, gaugeOf, LEAST_EVIDENCE } from "./gaugeOf";
import { masteryToday } from "./masteryToday";
import type { SkillState } from "./skillState";
import { type Placements, startingBelief } from "./startingBelief";

/** What the gauges need to know of a skill. */
export interface SkillPlace {
  readonly id: string;
  readonly strandId: string;
  readonly grade: number;
  readonly difficulty: number;
  readonly prerequisites: readonly string[];
}

/**
 * All gauges of one student on a day, by skill id, for any set of skills that is closed under "builds on".
 * @example gaugesOfStudent({ grade: 6, states: new Map(), placements: new Map() }, [{ id: "a", strandId: "s", grade: 6, difficulty: 0, prerequisites: [] }], 20000).get("a")?.tooLittle // true
 */
export function gaugesOfStudent(
  student: {
    readonly grade: number | null;
    readonly states: ReadonlyMap<string, SkillState>;
    readonly placements: Placements;
  },
  skills: readonly SkillPlace[],
  day: number,
): Map<string, Gauge> {
  const secureBeyond = new Set(
    skills
      .filter((skill) => {
        const state = student.states.get(skill.id);
        if (!state || student.grade === null || skill.grade <= student.grade || state.scoredAnswers < LEAST_EVIDENCE)
          return false;
        return masteryToday(state, day) >= LEVEL_CUTS.secure;
      })
      .flatMap((skill) => skill.prerequisites),
  );
  return new Map(
    skills.map((skill) => {
      const prior = chanceOfMastery(startingBelief(student, skill));
      return [skill.id, gaugeOf(student.states.get(skill.id) ?? null, prior, day, secureBeyond.has(skill.id))];
    }),
  );
}
