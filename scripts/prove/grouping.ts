import type { GroupProblem } from "@/core/grouping/groupProblem";
import { groupsGreedily } from "@/core/grouping/groupsGreedily";
import { planGroups } from "@/core/grouping/planGroups";
import { logistic } from "@/core/numeric/logistic";
import { mean } from "@/core/numeric/mean";
import { median } from "@/core/numeric/median";
import { seededRandom } from "@/core/numeric/seededRandom";
import { solveWithHighs } from "@/server/runtime/solver";
import { normal } from "~/demo/learner";
import { decimals, type Figure, percent } from "./table";

/** A class with one strength each and gaps of its own: need by skill, in the order students would learn them. */
export function randomClass(
  seed: string,
  students: number,
  skills: number,
): { problem: GroupProblem; level: readonly number[] } {
  const random = seededRandom(seed);
  const level = Array.from({ length: students }, () => normal(random, 0, 1));
  const chances = level.map((ability) =>
    Array.from({ length: skills }, (_, k) => logistic(1.4 * (ability - (k * 3) / skills + 1 + normal(random, 0, 0.8)))),
  );
  return {
    level,
    problem: {
      studentIds: level.map((_, s) => `s${s}`),
      skillIds: Array.from({ length: skills }, (_, k) => `k${k}`),
      need: chances.map((row) => row.map((chance) => Math.max(0, 0.75 - chance))),
      smallest: 3,
      largest: 6,
      slots: 4,
    },
  };
}

/** What sorting by overall score serves: the lowest in groups of six, each with the skill that serves them most. */
function needByOverallScore(
  { studentIds, skillIds, need, largest, slots }: GroupProblem,
  level: readonly number[],
): number {
  const lowest = studentIds.map((_, place) => place).sort((x, y) => (level[x] ?? 0) - (level[y] ?? 0));
  return Array.from({ length: slots }, (_, group) => lowest.slice(group * largest, (group + 1) * largest)).reduce(
    (served, members) => served + bestSkill(skillIds.length, need, members),
    0,
  );
}

/** Need that teaching one skill to these students serves, with the best choice of skill. */
function bestSkill(skills: number, need: readonly (readonly number[])[], members: readonly number[]): number {
  return Math.max(
    ...Array.from({ length: skills }, (_, k) => members.reduce((sum, student) => sum + (need[student]?.[k] ?? 0), 0)),
  );
}

/** The best value over every way to put each student into one skill's group or none. */
function bruteForce(problem: GroupProblem): number {
  const place: number[] = [];
  let best = 0;
  const walk = (student: number): void => {
    if (student < problem.studentIds.length) {
      for (let skill = -1; skill < problem.skillIds.length; skill++) {
        if (skill >= 0 && (problem.need[student]?.[skill] ?? 0) <= 0) continue;
        place[student] = skill;
        walk(student + 1);
      }
      return;
    }
    const sizes = problem.skillIds
      .map((_, skill) => place.filter((own) => own === skill).length)
      .filter((size) => size > 0);
    if (sizes.length > problem.slots || sizes.some((size) => size < problem.smallest || size > problem.largest)) return;
    best = Math.max(
      best,
      place.reduce((sum, skill, own) => sum + (skill < 0 ? 0 : (problem.need[own]?.[skill] ?? 0)), 0),
    );
  };
  walk(0);
  return best;
}

const SMALL = 40;
const CLASSES = 40;

export async function proveGrouping(): Promise<Figure[]> {
  const gaps = { exact: [] as number[], greedy: [] as number[] };
  for (let n = 0; n < SMALL; n++) {
    const small = { ...randomClass(`prove small ${n}`, 8, 3).problem, smallest: 2, largest: 3, slots: 2 };
    const best = bruteForce(small);
    const exact = await planGroups(small, solveWithHighs, 5);
    gaps.exact.push(best - exact.value);
    gaps.greedy.push(1 - groupsGreedily(small).value / best);
  }
  const classes: { seconds: number; proven: boolean; greedy: number; overall: number; oneForAll: number }[] = [];
  for (let n = 0; n < CLASSES; n++) {
    const { problem, level } = randomClass(`prove class ${n}`, 28, 12);
    const started = performance.now();
    const exact = await planGroups(problem, solveWithHighs, 5);
    classes.push({
      seconds: (performance.now() - started) / 1000,
      proven: exact.quality === "optimal",
      greedy: 1 - groupsGreedily(problem).value / exact.value,
      overall: exact.value / needByOverallScore(problem, level),
      // One group for all teaches everybody, more students than all groups together hold.
      oneForAll:
        exact.value /
        bestSkill(
          12,
          problem.need,
          problem.studentIds.map((_, place) => place),
        ),
    });
  }
  const of = (key: "greedy" | "overall" | "oneForAll" | "seconds") => classes.map((one) => one[key]);
  return [
    {
      what: "Gap of the exact answer against brute force, largest",
      value: decimals(Math.max(...gaps.exact.map(Math.abs)), 6),
      note: `need, ${SMALL} classes of 8 students and 3 skills; aim 0`,
    },
    {
      what: "Gap of the greedy answer against brute force, mean",
      value: percent(mean(gaps.greedy)),
      note: "of the need served",
    },
    {
      what: "Classes of 28 proven best",
      value: `${classes.filter(({ proven }) => proven).length} of ${CLASSES}`,
      note: "12 skills, 4 groups of 3 to 6",
    },
    { what: "Seconds for a class of 28, median", value: decimals(median(of("seconds")), 2), note: "aim 2 or less" },
    {
      what: "Gap of the greedy answer in classes of 28, mean",
      value: percent(mean(of("greedy"))),
      note: "of the need served",
    },
    {
      what: "Need served against sorting by overall score",
      value: `${decimals(mean(of("overall")), 2)} x`,
      note: "the 24 lowest in groups of 6, each with its best skill",
    },
    {
      what: "Need served against one group for all",
      value: `${decimals(mean(of("oneForAll")), 2)} x`,
      note: "the best single skill for all 28, though the groups hold 24",
    },
  ];
}
