import { logSum } from "../numeric/logSum";
import { sharesOfLogs } from "../numeric/sharesOfLogs";
import {
  likelihoodOfEffects,
  type MemorySpread,
  massesOfSkills,
  type PastReview,
  SKILL_DEVIATES,
  type SkillMasses,
  STUDENT_EFFECTS,
  USUAL_SPREAD,
} from "./pastReviews";

/** What a student's reviews so far say of memory, against what the model takes it for. */
export interface StudentMemory {
  /** Effect on the logarithm of stability: expected, and how sure. Above 0: remembers longer. */
  readonly mean: number;
  readonly sd: number;
  /** Draws true stabilities over the model's, one a skill, as likely as the reviews leave them. */
  readonly draw: (skillIds: readonly string[], random: () => number) => ReadonlyMap<string, number>;
}

/**
 * The student's own effect and those of the skills, by Bayes' rule over both at once: normal around the model with the spread stated, each past
 * review likely by the forgetting curve (a random-effects model; Laird & Ware 1982). Without reviews it is what is known before.
 * @example studentMemory([]).mean.toFixed(3) // "0.000"
 */
export function studentMemory(reviews: readonly PastReview[], spread: MemorySpread = USUAL_SPREAD): StudentMemory {
  return memoryFrom(massesOfSkills(reviews, spread.skill), spread, 0);
}

/**
 * The same for the students of a class, who may all remember longer or shorter than the model takes them to: that common effect is found first, by all their
 * reviews (its posterior mean, normal before with a standard deviation of 0.5), and each student lies around it. One list of reviews a student.
 * @example memoriesOfClass([[], []]).map(({ mean }) => mean.toFixed(2)) // ["0.00", "0.00"]
 */
export function memoriesOfClass(
  students: readonly (readonly PastReview[])[],
  spread: MemorySpread = USUAL_SPREAD,
): StudentMemory[] {
  const masses = students.map((reviews) => massesOfSkills(reviews, spread.skill));
  const centre = commonEffect(masses.map(likelihoodOfEffects), spread.student);
  return masses.map((own) => memoryFrom(own, spread, centre));
}

const COMMON_SD = 0.5;

function commonEffect(likelihoods: readonly (readonly number[])[], spread: number): number {
  const heights = STUDENT_EFFECTS.map((centre) =>
    likelihoods.reduce(
      (sum, likelihood) =>
        sum +
        logSum(
          STUDENT_EFFECTS.map((effect, place) => (likelihood[place] ?? 0) - ((effect - centre) / spread) ** 2 / 2),
        ) -
        logSum(STUDENT_EFFECTS.map((effect) => -(((effect - centre) / spread) ** 2) / 2)),
      -((centre / COMMON_SD) ** 2) / 2,
    ),
  );
  const shares = sharesOfLogs(heights);
  return STUDENT_EFFECTS.reduce((sum, effect, place) => sum + (shares[place] ?? 0) * effect, 0);
}

function memoryFrom(skills: ReadonlyMap<string, SkillMasses>, spread: MemorySpread, centre: number): StudentMemory {
  const likelihood = likelihoodOfEffects(skills);
  const shares = sharesOfLogs(
    STUDENT_EFFECTS.map((effect, place) => (likelihood[place] ?? 0) - ((effect - centre) / spread.student) ** 2 / 2),
  );
  const mean = STUDENT_EFFECTS.reduce((sum, effect, place) => sum + (shares[place] ?? 0) * effect, 0);
  const variance = STUDENT_EFFECTS.reduce((sum, effect, place) => sum + (shares[place] ?? 0) * (effect - mean) ** 2, 0);
  const unmet = sharesOfLogs(SKILL_DEVIATES.map((deviate) => (-deviate * deviate) / 2));
  return {
    mean,
    sd: Math.sqrt(variance),
    draw: (skillIds, random) => {
      const place = drawn(shares, random);
      const student = within(STUDENT_EFFECTS, place, random);
      return new Map(
        skillIds.map((skillId) => {
          const masses = skills.get(skillId)?.[place];
          const deviate = within(SKILL_DEVIATES, drawn(masses ? sharesOfLogs(masses) : unmet, random), random);
          return [skillId, Math.exp(student + spread.skill * deviate)];
        }),
      );
    },
  };
}

function drawn(shares: readonly number[], random: () => number): number {
  let left = random();
  const place = shares.findIndex((share) => {
    left -= share;
    return left < 0;
  });
  return place === -1 ? shares.length - 1 : place;
}

/** Anywhere in the cell around a node: whole nodes would leave gaps. */
function within(nodes: readonly number[], place: number, random: () => number): number {
  const step = (nodes[1] ?? 0) - (nodes[0] ?? 0);
  return (nodes[place] ?? 0) + (random() - 0.5) * step;
}
