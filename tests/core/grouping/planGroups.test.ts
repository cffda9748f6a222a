import { describe, expect, it } from "vitest";
import type { GroupPlan, GroupProblem } from "@/core/grouping/groupProblem";
import { groupsGreedily } from "@/core/grouping/groupsGreedily";
import { planGroups } from "@/core/grouping/planGroups";
import { seededRandom } from "@/core/numeric/seededRandom";
import { solveWithHighs } from "@/server/runtime/solver";

function smallProblem(seed: number): GroupProblem {
  const random = seededRandom(`groups ${seed}`);
  const students = 5 + Math.floor(random() * 3);
  const skills = 2 + Math.floor(random() * 2);
  const smallest = 1 + Math.floor(random() * 2);
  const studentIds = Array.from({ length: students }, (_, n) => `s${n}`);
  return {
    studentIds,
    skillIds: Array.from({ length: skills }, (_, n) => `k${n}`),
    need: studentIds.map(() =>
      Array.from({ length: skills }, () => (random() < 0.25 ? 0 : Math.round(random() * 100) / 100)),
    ),
    smallest,
    largest: smallest + Math.floor(random() * 3),
    slots: 1 + Math.floor(random() * 3),
    keepApart: random() < 0.5 ? [["s0", "s1"]] : [],
  };
}

/** The best value over every way to put each student into one skill's group or none. */
function bestByBruteForce(problem: GroupProblem): number {
  const skills = problem.skillIds.length;
  let best = 0;
  const place: number[] = [];
  const walk = (student: number): void => {
    if (student === problem.studentIds.length) {
      best = Math.max(best, servedNow());
      return;
    }
    for (let skill = -1; skill < skills; skill++) {
      if (skill >= 0 && (problem.need[student]?.[skill] ?? 0) <= 0) continue;
      place[student] = skill;
      walk(student + 1);
    }
  };
  const servedNow = (): number => {
    const sizes = Array.from({ length: skills }, (_, skill) => place.filter((own) => own === skill).length);
    const open = sizes.filter((size) => size > 0);
    const fits =
      open.length <= problem.slots && open.every((size) => size >= problem.smallest && size <= problem.largest);
    const apart = (problem.keepApart ?? []).every(([a, b]) => {
      const [one, other] = [place[problem.studentIds.indexOf(a)], place[problem.studentIds.indexOf(b)]];
      return one === -1 || one !== other;
    });
    if (!fits || !apart) return 0;
    return place.reduce((sum, skill, student) => sum + (skill >= 0 ? (problem.need[student]?.[skill] ?? 0) : 0), 0);
  };
  walk(0);
  return best;
}

function expectWithinLimits(plan: GroupPlan, problem: GroupProblem): void {
  const members = plan.groups.flatMap(({ studentIds }) => studentIds);
  expect(new Set(members).size).toBe(members.length);
  expect(plan.groups.length).toBeLessThanOrEqual(problem.slots);
  expect(new Set(plan.groups.map(({ skillId }) => skillId)).size).toBe(plan.groups.length);
  for (const group of plan.groups) {
    expect(group.studentIds.length).toBeGreaterThanOrEqual(problem.smallest);
    expect(group.studentIds.length).toBeLessThanOrEqual(problem.largest);
    for (const [a, b] of problem.keepApart ?? [])
      expect(group.studentIds.includes(a) && group.studentIds.includes(b)).toBe(false);
    const skill = problem.skillIds.indexOf(group.skillId);
    const served = group.studentIds.reduce(
      (sum, id) => sum + (problem.need[problem.studentIds.indexOf(id)]?.[skill] ?? 0),
      0,
    );
    expect(group.needServed).toBeCloseTo(served, 9);
  }
}

describe("grouping by need", () => {
  it("with the solver is as good as trying every way, on 60 small classes", async () => {
    for (let seed = 0; seed < 60; seed++) {
      const problem = smallProblem(seed);
      const plan = await planGroups(problem, solveWithHighs, 5);
      expectWithinLimits(plan, problem);
      expect(plan.quality).toBe("optimal");
      expect(plan.needServed, `class ${seed}`).toBeCloseTo(bestByBruteForce(problem), 6);
    }
  });

  it("without the solver keeps the limits and is never better than possible", () => {
    for (let seed = 0; seed < 60; seed++) {
      const problem = smallProblem(seed);
      const plan = groupsGreedily(problem);
      expectWithinLimits(plan, problem);
      expect(plan.needServed).toBeLessThanOrEqual(bestByBruteForce(problem) + 1e-9);
    }
  });

  it("falls back to the greedy answer when the solver has none", async () => {
    const problem = smallProblem(3);
    const plan = await planGroups(
      problem,
      async () => ({ status: "infeasible", chosen: new Set(), values: new Map() }),
      1,
    );
    expect(plan).toEqual(groupsGreedily(problem));
  });

  it("makes no group where nobody needs one", async () => {
    const problem = { ...smallProblem(1), need: smallProblem(1).need.map((row) => row.map(() => 0)) };
    expect((await planGroups(problem, solveWithHighs, 1)).groups).toEqual([]);
  });

  it("refuses limits that make no sense", () => {
    expect(() => groupsGreedily({ ...smallProblem(1), smallest: 4, largest: 3 })).toThrowError(
      expect.objectContaining({ code: "bad-argument" }),
    );
    expect(() => groupsGreedily({ ...smallProblem(1), need: [[Number.NaN]] })).toThrowError(
      expect.objectContaining({ code: "bad-argument" }),
    );
  });
});
