import { beliefNow, type PartSituation } from "./partSituation";

/** What the next item at a skill is aimed at: what is believed of the student in it today. */
export const aimAt = (situation: PartSituation, skillId: string) => ({
  skillId,
  belief: beliefNow(situation, skillId),
  missesInRow: situation.states.get(skillId)?.missesInRow ?? 0,
});
