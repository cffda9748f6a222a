import { chanceWithin } from "../mastery/chanceWithin";
import type { LearnerState } from "../mastery/learningModel";

/** Scored answers that one visit to a skill usually takes, and minutes for each. */
const ANSWERS_PER_VISIT = 6;
const MINUTES_PER_ANSWER = 0.9;

/** A skill that could be worked on: the student's state in it, readiness (0 to 1) and the weight of what it unlocks (0 or more). */
export interface WorkableSkill extends LearnerState {
  readonly ready: number;
  readonly unlockedWeight: number;
}

/**
 * Expected gain per minute of working on a skill now: ready * (P after - P before) * (1 + weight of what it unlocks) /
 * minutes, P after being the chance of mastery within the answers of a usual visit. 0 or more.
 */
export function expectedGain(skill: WorkableSkill): number {
  const gained = chanceWithin(skill, ANSWERS_PER_VISIT) - skill.mastery;
  return (skill.ready * gained * (1 + skill.unlockedWeight)) / (ANSWERS_PER_VISIT * MINUTES_PER_ANSWER);
}
