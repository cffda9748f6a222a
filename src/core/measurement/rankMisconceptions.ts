import { groupBy } from "../collections/groupBy";

/** Wrong answers of one student that matched a misconception's rule in one skill. */
export interface MisconceptionSign {
  readonly studentId: string;
  readonly skillId: string;
  readonly misconceptionId: string;
  /** How many answers, 1 or more. */
  readonly times: number;
  /** The student has become Secure in the skill since. */
  readonly secureSince: boolean;
}

export interface RankedMisconception {
  readonly skillId: string;
  readonly misconceptionId: string;
  /** Those who still need something, with their answers; the most answers first. */
  readonly students: readonly { readonly studentId: string; readonly times: number }[];
  /** How many showed it and have become Secure since. */
  readonly secureSince: number;
}

/**
 * Misconceptions of each skill by how many students still need something about them, then by how many have needed it, then by
 * answers: one student's ten slips do not outrank three students.
 * @example rankMisconceptions([{ studentId: "s", skillId: "k", misconceptionId: "m", times: 2, secureSince: false }])[0].students // [{ studentId: "s", times: 2 }]
 */
export function rankMisconceptions(signs: readonly MisconceptionSign[]): RankedMisconception[] {
  const groups = groupBy(signs, ({ skillId, misconceptionId }) => JSON.stringify([skillId, misconceptionId]));
  return [...groups]
    .map(([key, shown]) => {
      const [skillId = "", misconceptionId = ""] = JSON.parse(key) as string[];
      return {
        key,
        answers: shown.reduce((sum, { times }) => sum + times, 0),
        ranked: {
          skillId,
          misconceptionId,
          students: shown
            .filter(({ secureSince }) => !secureSince)
            .map(({ studentId, times }) => ({ studentId, times }))
            .sort((x, y) => y.times - x.times || (x.studentId < y.studentId ? -1 : 1)),
          secureSince: shown.filter(({ secureSince }) => secureSince).length,
        },
      };
    })
    .sort(
      (x, y) =>
        y.ranked.students.length - x.ranked.students.length ||
        y.ranked.secureSince - x.ranked.secureSince ||
        y.answers - x.answers ||
        (x.key < y.key ? -1 : 1),
    )
    .map(({ ranked }) => ranked);
}
