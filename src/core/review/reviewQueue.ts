import { demandThat } from "../model/fail";
import { arrangeApart } from "../numeric/arrangeApart";
import { askable, fitting } from "./dueSkills";
import { type ReviewSkill, WANTED_RECALL } from "./reviewSkill";

export interface ReviewQueue {
  /** What to ask today, in order. */
  readonly skillIds: readonly string[];
  readonly minutes: number;
  /** How many of them are due; the others come a little early, for minutes that are left. */
  readonly due: number;
  /** Due, but beyond today's minutes. */
  readonly leftOver: readonly string[];
}

/**
 * Today's review of one student: what is due, least remembered first, then what is on its way there, as far as the minutes reach; ordered so that two
 * of a strand follow each other only where nothing else is left. One skill always fits, however few the minutes above 0.
 * @throws CoreError "bad-argument", where this does not hold: A queue has 0 minutes or more.
 */
export function reviewQueue(
  skills: readonly ReviewSkill[],
  today: { readonly day: number; readonly minutes: number; readonly wanted?: number },
): ReviewQueue {
  demandThat(today.minutes >= 0, "A queue has 0 minutes or more.", { minutes: today.minutes });
  const { skills: open, due } = askable(skills, today.day, today.wanted ?? WANTED_RECALL);
  const chosen = fitting(open, today.minutes);
  return {
    skillIds: arrangeApart(chosen, ({ strandId }) => strandId).map(({ skillId }) => skillId),
    minutes: chosen.reduce((sum, { minutes }) => sum + minutes, 0),
    due: Math.min(due, chosen.length),
    leftOver: open.slice(chosen.length, due).map(({ skillId }) => skillId),
  };
}
