import { demandThat } from "../model/fail";
import { arrangeApart } from "../numeric/arrangeApart";
import { dueSkills, fitting } from "./dueSkills";
import { type ReviewSkill, WANTED_RECALL } from "./reviewSkill";

export interface ReviewQueue {
  /** What to ask today, in order. */
  readonly skillIds: readonly string[];
  readonly minutes: number;
  /** Due, but beyond today's minutes. */
  readonly leftOver: readonly string[];
}

/**
 * Today's review of one student: what is due, least remembered first, as far as the minutes reach, then ordered so that two
 * of a strand follow each other only where nothing else is left. One skill always fits, however few the minutes above 0.
 * @throws CoreError "bad-argument", where this does not hold: A queue has 0 minutes or more.
 */
export function reviewQueue(
  skills: readonly ReviewSkill[],
  today: { readonly day: number; readonly minutes: number; readonly wanted?: number },
): ReviewQueue {
  demandThat(today.minutes >= 0, "A queue has 0 minutes or more.", { minutes: today.minutes });
  const due = dueSkills(skills, today.day, today.wanted ?? WANTED_RECALL);
  const chosen = fitting(due, today.minutes);
  return {
    skillIds: arrangeApart(chosen, ({ strandId }) => strandId).map(({ skillId }) => skillId),
    minutes: chosen.reduce((sum, { minutes }) => sum + minutes, 0),
    leftOver: due.slice(chosen.length).map(({ skillId }) => skillId),
  };
}
