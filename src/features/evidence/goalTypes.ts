import type { GoalLevel, GoalUnit } from "@/core/model/goal";
import type { GoalProjection } from "@/core/work/projectGoal";
import type { ProjectedSkill } from "@/core/work/projectLevels";

interface Named {
  readonly id: string;
  readonly name: string;
}

/** So much of something each, by a day. */
export interface AmountGoal {
  readonly aim: "amount";
  readonly unit: GoalUnit;
  readonly target: number;
  readonly students: readonly (Named & { readonly projection: GoalProjection })[];
}

/** Some skills at a level, by a day. */
export interface LevelGoal {
  readonly aim: "level";
  readonly level: GoalLevel;
  readonly skills: readonly (Named & {
    /** By student, how the skill is likely to stand then. */
    readonly students: readonly (Named & Omit<ProjectedSkill, "skillId">)[];
  })[];
}

export type GoalView = (AmountGoal | LevelGoal) & {
  readonly id: string;
  readonly className: string;
  readonly until: string;
  readonly daysLeft: number;
};

export interface GoalsView {
  readonly goals: readonly GoalView[];
  /** Skills that may be aimed at: what is planned first. */
  readonly skills: readonly Named[];
  readonly manyClasses: boolean;
  /** The day proposed for a new one. */
  readonly usualDay: string;
}
