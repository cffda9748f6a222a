import { expectedGain, type WorkableSkill } from "./expectedGain";

export interface OpenSkill extends WorkableSkill {
  readonly id: string;
  readonly done: boolean;
  /** Scored answers in this practice. */
  readonly answersHere: number;
  /** Easily confused partner skills. */
  readonly contrasts: readonly string[];
}

/** Skills that may be begun and unfinished at once, unless the work says otherwise. */
export const MOST_OPEN_SKILLS = 2;
/** From this chance of mastery on, items of a confusable partner are mixed in, */
const CONTRAST_FROM = 0.7;
/** one after this many items of the skill itself. */
const CONTRAST_EVERY = 3;
/** Scored answers on a skill before work may turn to another open one. */
const STAY_FOR = 3;

/**
 * The skill that the next item of a practice should come from. Stays with the skill just worked on for a few answers, then
 * takes the open skill with the highest expected gain per minute; no more than `mostOpen` are begun and unfinished at once. Once
 * the skill is likely mastered (P > 0.7), every third item comes from a confusable partner in the same practice that is
 * begun too (contrast). Null when every skill is done.
 * @example nextSkill([{ id: "a", mastery: 0.3, learning: 0.1, ready: 1, unlockedWeight: 0, done: false, answersHere: 0, contrasts: [] }], []) // "a"
 */
export function nextSkill(
  skills: readonly OpenSkill[],
  recentSkillIds: readonly string[],
  mostOpen: number = MOST_OPEN_SKILLS,
): string | null {
  const open = skills.filter((skill) => !skill.done);
  if (open.length === 0) return null;
  const last = skills.find((skill) => skill.id === recentSkillIds.at(-1));
  if (last && last.mastery > CONTRAST_FROM) {
    const own = recentSkillIds.slice(-CONTRAST_EVERY);
    const partner = skills.find((skill) => last.contrasts.includes(skill.id) && skill.answersHere > 0);
    if (partner && own.length === CONTRAST_EVERY && own.every((id) => id === last.id)) return partner.id;
  }
  const run = lengthOfRun(recentSkillIds);
  if (last && !last.done && run < STAY_FOR) return last.id;
  const begun = open.filter((skill) => skill.answersHere > 0);
  const choice = begun.length >= mostOpen ? begun : open;
  const gains = choice.map((skill) => expectedGain(skill));
  return choice[gains.indexOf(Math.max(...gains))]?.id ?? null;
}

function lengthOfRun(ids: readonly string[]): number {
  let length = 0;
  while (length < ids.length && ids[ids.length - 1 - length] === ids.at(-1)) length++;
  return length;
}
