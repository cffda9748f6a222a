import { worthDoingFirst } from "@/core/grouping/worthDoingFirst";
import { chanceOfMastery } from "@/core/mastery/chanceOfMastery";
import { LEARNING } from "@/core/mastery/learningModel";
import { priorBelief } from "@/core/mastery/priorBelief";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { mean } from "@/core/numeric/mean";
import { seededRandom } from "@/core/numeric/seededRandom";
import { decimals, type Figure, percent } from "./table";
import { visitedClass } from "./worlds/visiting";

const DIFFICULTIES = [-1.2, -0.8, -0.4, 0, 0.4] as const;
const GRADE = 6;
const EARLY = [6, 6, 5, 4, 0] as const;
const STUDENTS = 1500;
const MINUTES = 5;
const ANSWERS = 5;
/** Weight of a skill that others build on. */
const UNLOCKS = 0.15;

/** What is proposed to be done first against what it truly brings, and against what else one might choose. */
export function proveWorthDoing(): Figure[] {
  const random = seededRandom("worth doing");
  const next = visitedClass(random, DIFFICULTIES);
  const gains = { proposed: [] as number[], weakest: [] as number[], any: [] as number[], best: [] as number[] };
  let drawn = 0;
  for (let n = 0; n < STUDENTS; n++) {
    const student = next();
    const skills = DIFFICULTIES.map((difficulty, place) => {
      const prior = priorBelief(GRADE, difficulty);
      let state: SkillState | null = null;
      for (let answer = 0; answer < (EARLY[place] ?? 0); answer++) {
        const item = {
          itemId: `i${drawn % 4}`,
          seed: drawn++,
          parameters: { a: 1.2 + 0.4 * random(), b: difficulty + 0.5 * (random() - 0.5), c: 0.05 },
        };
        const share = student.answer(place, item) ? 1 : 0;
        const answered = { share, tryNumber: 1, hintsUsed: 0, itemId: item.itemId, item: item.parameters, day: 0 };
        state = updateSkillState(state, prior, answered, difficulty);
      }
      return { mastery: state?.mastery ?? chanceOfMastery(prior), learning: state?.learning ?? LEARNING.shareLearning };
    });
    const workable = skills.map((skill, place) => ({
      id: String(place),
      ...skill,
      ready: place === 0 ? 1 : (skills[place - 1]?.mastery ?? 0),
      unlockedWeight: place < DIFFICULTIES.length - 1 ? UNLOCKS : 0,
    }));
    const truly = (place: number) => student.gainOf(place, ANSWERS);
    const all = DIFFICULTIES.map((_, place) => truly(place));
    const [first] = worthDoingFirst(workable, MINUTES);
    const lowest = skills.reduce((low, skill, place) => (skill.mastery < (skills[low]?.mastery ?? 1) ? place : low), 0);
    gains.proposed.push(truly(Number(first?.skillId ?? 0)));
    gains.weakest.push(truly(lowest));
    gains.any.push(mean(all));
    gains.best.push(Math.max(...all));
  }
  const of = (key: keyof typeof gains) => mean(gains[key]);
  return [
    {
      what: "True gain of what is worth doing first, of the best there is",
      value: percent(of("proposed") / of("best")),
      note: `share of typical items right, ${MINUTES} minutes with each of ${STUDENTS} students, 5 skills in a chain`,
    },
    {
      what: "Against the skill in which they stand lowest",
      value: `${decimals(of("proposed") / of("weakest"), 2)} x`,
      note: "aim above 1",
    },
    { what: "Against any of the skills", value: `${decimals(of("proposed") / of("any"), 2)} x`, note: "aim above 1" },
  ];
}
