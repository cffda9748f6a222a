import "server-only";
import { drawItem } from "@/core/items/drawItem";
import { misconceptionsIn } from "@/core/items/mapMisconceptions";
import { readability } from "@/core/reading/readability";
import { sentencesIn } from "@/core/reading/sentencesIn";
import type { SkillContent } from "../contentTypes";
import { itemFindings } from "./itemFindings";
import { itemsToMastery } from "./masteryInReach";

/** What a skill of a subject has to have. */
export interface SkillDemands {
  readonly items: number;
  readonly kinds: number;
  readonly stories: number;
  /** Misconceptions that an item tells apart, at least. */
  readonly misconceptions: number;
}

export const DEMANDS: Readonly<Record<string, SkillDemands>> = {
  mathematics: { items: 3, kinds: 2, stories: 3, misconceptions: 2 },
  language: { items: 16, kinds: 1, stories: 1, misconceptions: 1 },
};
/** Grades beyond its own that the middle of a skill's stems may be as hard to read as. */
const GRADES_BEYOND = 1;

/** Items, all right, that are enough to master a skill. */
const MOST_TO_MASTERY = 16;

/** What is wrong with a skill and its items, in words for its author; empty when nothing is. */
export function skillFindings(skill: SkillContent, demands: SkillDemands): string[] {
  const kinds = new Set(skill.items.flatMap(({ body }) => body.parts.map(({ kind }) => kind)));
  const ofItems = skill.items.flatMap((item) => {
    const own = itemFindings(item);
    const stories = Object.keys(item.body.contexts).length;
    if (stories < demands.stories) own.push(`${stories} stories of ${demands.stories}`);
    const named = misconceptionsIn(item.body).length;
    if (named < demands.misconceptions) own.push(`${named} misconceptions of ${demands.misconceptions}`);
    return own.map((finding) => `${item.id}: ${finding}`);
  });
  return [
    ...(skill.items.length < demands.items ? [`${skill.items.length} items of ${demands.items}`] : []),
    ...(kinds.size < demands.kinds ? [`${kinds.size} kinds of answer of ${demands.kinds}`] : []),
    ...ofItems,
    // What can not be drawn can not be read.
    ...(ofItems.some((finding) => /draw \d+ fails|the story/.test(finding))
      ? []
      : [...readingFindings(skill), ...masteryFindings(skill)]),
  ];
}

/** Formulas of readability are made for passages: all stems of a skill are read as one. */
export function stemReading(skill: SkillContent): number {
  const stems = skill.items.flatMap(({ id, body }) =>
    [0, 1, 2].map((seed) => `${drawItem({ id: `${id}@1`, itemId: id, body }, seed).stem}\n`),
  );
  const read = readability(stems.join(" "));
  return "noEstimate" in read ? 0 : read.grade;
}

function readingFindings(skill: SkillContent): string[] {
  const grade = stemReading(skill);
  return grade > skill.grade + GRADES_BEYOND ? [`its stems read like grade ${grade.toFixed(1)}`] : [];
}

const masteryFindings = (skill: SkillContent): string[] =>
  itemsToMastery(skill, MOST_TO_MASTERY) === null
    ? [`${MOST_TO_MASTERY} right answers do not show that it is mastered: its items are too easy or too easily guessed`]
    : [];

/** Sentences that stand in the stems of two skills word for word, with the skills. */
export function repeatedSentences(skills: readonly SkillContent[]): string[] {
  const home = new Map<string, string>();
  const found = new Set<string>();
  for (const skill of skills)
    for (const { body } of skill.items)
      for (const sentence of sentencesIn(body.stem)) {
        const words = sentence.trim();
        const before = home.get(words);
        if (before !== undefined && before !== skill.id) found.add(`“${words}” stands in ${before} and in ${skill.id}`);
        home.set(words, skill.id);
      }
  return [...found];
}
