import { demandThat } from "../model/fail";
import { arrangeApart } from "../numeric/arrangeApart";
import { type ReviewSkill, WANTED_RECALL } from "./reviewSkill";
import { reviewStanding } from "./reviewStanding";

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
  const byId = new Map(skills.map((skill) => [skill.skillId, skill]));
  const due = reviewStanding(skills, today.day, today.wanted ?? WANTED_RECALL)
    .filter((standing) => standing.due)
    .map(({ skillId }) => byId.get(skillId) as ReviewSkill);
  const chosen: ReviewSkill[] = [];
  let minutes = 0;
  for (const skill of due) {
    const fits = minutes + skill.minutes <= today.minutes || (chosen.length === 0 && today.minutes > 0);
    if (!fits) break;
    chosen.push(skill);
    minutes += skill.minutes;
  }
  return {
    skillIds: arrangeApart(chosen, ({ strandId }) => strandId).map(({ skillId }) => skillId),
    minutes,
    leftOver: due.slice(chosen.length).map(({ skillId }) => skillId),
  };
}
