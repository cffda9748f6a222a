import { mean } from "../numeric/mean";
import type { AssemblyItem, FormProblem } from "./formProblem";
import { PER_PASSAGE } from "./formProblem";

/** How hard a test should be: its information lies highest so many logits from where its skills are just mastered. */
export const TEST_LEVELS = ["easier", "usual", "harder"] as const;
export type TestLevel = (typeof TEST_LEVELS)[number];
const SHIFTS: Readonly<Record<TestLevel, number>> = { easier: -0.8, usual: 0, harder: 0.8 };

/** What a teacher wishes of a test. */
export interface TestWishes {
  /** How many items there are to be of each skill. */
  readonly counts: readonly {
    readonly skillId: string;
    readonly items: number;
    readonly difficulty: number;
    /** How often one and the same item (its kind, to the model) may come in a form, with other numbers. */
    readonly mostOfOne: number;
  }[];
  readonly forms: number;
  readonly level: TestLevel;
  readonly lockedIn: readonly string[];
  readonly leftOut: readonly string[];
}

/**
 * The problem of building a test from items of skills (each skill is a standard to the model): so many of each, hardest around where the skills are
 * just mastered or a little to one side. A single item of a passage is enough where its skill has few.
 * @example testProblem([], { counts: [{ skillId: "a", items: 3, difficulty: 1, mostOfOne: 1 }], forms: 1, level: "usual", lockedIn: [], leftOut: [] }).length // 3
 */
export function testProblem(items: readonly AssemblyItem[], wishes: TestWishes): FormProblem {
  const { counts, forms, level, lockedIn, leftOut } = wishes;
  const wanted = counts.filter((one) => one.items > 0);
  return {
    items,
    forms,
    length: wanted.reduce((sum, one) => sum + one.items, 0),
    counts: wanted.flatMap(({ skillId, items: count, mostOfOne }) => [
      { standardId: skillId, least: count, most: count },
      ...[...new Set(items.filter(({ standardId }) => standardId === skillId).map(({ kind }) => kind))].map((kind) => ({
        kind,
        most: mostOfOne,
      })),
    ]),
    cut: (wanted.length === 0 ? 0 : mean(wanted.map(({ difficulty }) => difficulty))) + SHIFTS[level],
    lockedIn,
    leftOut,
    perPassage: { ...PER_PASSAGE, least: 1 },
  };
}

/** Items of a skill where nothing says how many: fewer of each, the more skills there are. */
const USUAL_LENGTH = 12;
const FEWEST_EACH = 2;
const MOST_EACH = 6;

/**
 * How many items of each of so many skills a test usually has.
 * @example usualCount(3) // 4
 */
export const usualCount = (skills: number): number =>
  Math.min(MOST_EACH, Math.max(FEWEST_EACH, Math.round(USUAL_LENGTH / Math.max(1, skills))));
