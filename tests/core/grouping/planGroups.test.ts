import { describe, expect, it } from "vitest";
import { groupModel } from "@/core/grouping/groupModel";
import type { GroupPlan, GroupProblem } from "@/core/grouping/groupProblem";
import { groupsGreedily } from "@/core/grouping/groupsGreedily";
import { planGroups } from "@/core/grouping/planGroups";
import { valueOfMove } from "@/core/grouping/valueOfMove";
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
    keepTogether: smallest > 1 && random() < 0.5 ? [["s1", "s2"]] : [],
    absent: random() < 0.3 ? ["s3"] : [],
    spread: {
      penalty: random() < 0.3 ? 0 : random(),
      chances: studentIds.map(() => Array.from({ length: skills }, random)),
    },
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
    const together = (problem.keepTogether ?? []).every(
      ([a, b]) => place[problem.studentIds.indexOf(a)] === place[problem.studentIds.indexOf(b)],
    );
    const away = (problem.absent ?? []).every((id) => place[problem.studentIds.indexOf(id)] === -1);
    if (!fits || !apart || !together || !away) return 0;
    const served = place.reduce(
      (sum, skill, student) => sum + (skill >= 0 ? (problem.need[student]?.[skill] ?? 0) : 0),
      0,
    );
    const ranges = sizes.map((size, skill) => {
      const chances = place.flatMap((own, student) =>
        own === skill ? [problem.spread?.chances[student]?.[skill] ?? 0] : [],
      );
      const tenths = chances.map((chance) => Math.floor(chance * 10));
      return size > 0 ? (Math.max(...tenths) - Math.min(...tenths)) / 10 : 0;
    });
    return served - (problem.spread?.penalty ?? 0) * ranges.reduce((sum, range) => sum + range, 0);
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
    for (const [a, b] of problem.keepTogether ?? [])
      expect(group.studentIds.includes(a)).toBe(group.studentIds.includes(b));
    for (const id of problem.absent ?? []) expect(group.studentIds).not.toContain(id);
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
      expect(plan.value, `class ${seed}`).toBeCloseTo(bestByBruteForce(problem), 5);
    }
  });

  it("without the solver keeps the limits and is never better than possible", () => {
    for (let seed = 0; seed < 60; seed++) {
      const problem = smallProblem(seed);
      const plan = groupsGreedily(problem);
      expectWithinLimits(plan, problem);
      expect(plan.value).toBeLessThanOrEqual(bestByBruteForce(problem) + 1e-9);
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

  it("keeps the better of greedy and what the solver had when time is up", async () => {
    const problem = smallProblem(3);
    const { chosen } = await solveWithHighs(groupModel(problem), 5);
    const late = async () => ({ status: "time-limit" as const, chosen, values: new Map() });
    const nothing = async () => ({ status: "time-limit" as const, chosen: new Set<string>(), values: new Map() });
    expect((await planGroups(problem, nothing, 1)).quality).toBe("greedy");
    const found = await planGroups(problem, late, 1);
    expect(found.value).toBeCloseTo(bestByBruteForce(problem), 5);
  });

  it("makes no group where nobody needs one", async () => {
    const problem = { ...smallProblem(1), need: smallProblem(1).need.map((row) => row.map(() => 0)) };
    expect((await planGroups(problem, solveWithHighs, 1)).groups).toEqual([]);
  });

  it("refuses limits that make no sense", () => {
    const { need } = smallProblem(1);
    for (const spread of [
      { penalty: -1, chances: need },
      { penalty: 1, chances: [[0.5]] },
    ])
      expect(() => groupsGreedily({ ...smallProblem(1), spread })).toThrow(/finite need/);
    expect(() => groupsGreedily({ ...smallProblem(1), smallest: 4, largest: 3 })).toThrowError(
      expect.objectContaining({ code: "bad-argument" }),
    );
    expect(() => groupsGreedily({ ...smallProblem(1), need: [[Number.NaN]] })).toThrowError(
      expect.objectContaining({ code: "bad-argument" }),
    );
  });
});

describe("contradictory wishes", () => {
  const problem: GroupProblem = {
    studentIds: ["a", "b", "c", "d"],
    skillIds: ["k"],
    need: [[1], [1], [1], [1]],
    smallest: 2,
    largest: 3,
    slots: 1,
  };
  it("name the students", () => {
    const together: [string, string][] = [
      ["a", "b"],
      ["b", "c"],
    ];
    const contradiction = (over: Partial<GroupProblem>) => expect(() => groupsGreedily({ ...problem, ...over }));
    contradiction({ keepTogether: together, keepApart: [["c", "a"]] }).toThrowError(
      expect.objectContaining({
        code: "contradiction",
        values: { wish: "together-and-apart", students: ["c", "a"] },
      }),
    );
    const names = (wish: string, students: string[], over: Partial<GroupProblem>) =>
      contradiction(over).toThrowError(expect.objectContaining({ values: { wish, students } }));
    const inK = (...ids: string[]) => ids.map((studentId) => ({ studentId, skillId: "k" }));
    names("too-many-together", ["a", "b", "c", "d"], { keepTogether: [...together, ["c", "d"]] });
    names("fixed-and-away", ["b"], { fixed: inK("b"), absent: ["b"] });
    names("fixed-and-apart", ["a", "b"], { fixed: inK("a", "b"), keepApart: [["a", "b"]] });
    names("too-many-fixed", ["a", "b", "c", "d"], { fixed: inK("a", "b", "c", "d") });
    const two = { skillIds: ["k", "l"], need: [0, 1, 2, 3].map(() => [1, 1]) };
    const inBoth = [...inK("a"), { studentId: "b", skillId: "l" }];
    names("too-many-groups-fixed", ["a", "b"], { ...two, fixed: inBoth });
    names("fixed-in-two", ["a", "b"], { ...two, slots: 2, fixed: inBoth, keepTogether: [["a", "b"]] });
    contradiction({ keepTogether: together, keepApart: [["c", "d"]] }).not.toThrow();
    contradiction({ keepTogether: [...together, ["c", "d"]], absent: ["d"] }).not.toThrow();
  });
});

describe("a manual move", () => {
  const problem: GroupProblem = {
    studentIds: ["a", "b", "c", "d"],
    skillIds: ["k", "l"],
    need: [
      [0.9, 0.2],
      [0.8, 0.1],
      [0.3, 0.7],
      [0.1, 0.6],
    ],
    smallest: 2,
    largest: 2,
    slots: 2,
    keepApart: [["a", "c"]],
    keepTogether: [["c", "d"]],
    absent: [],
    spread: {
      penalty: 1,
      chances: [
        [0.1, 0.5],
        [0.2, 0.5],
        [0.6, 0.5],
        [0.9, 0.5],
      ],
    },
  };
  it("costs the value it takes, and says which limits it breaks", async () => {
    const plan = await planGroups(problem, solveWithHighs, 5);
    expect(plan).toMatchObject({ needServed: 3, value: expect.closeTo(2.9, 9) });
    const moved = valueOfMove(problem, plan, { studentId: "b", toSkillId: "l" });
    expect(moved.lost).toBeCloseTo(0.8 - 0.1 - 0.1, 9);
    expect(moved.broken).toEqual(["too-small", "too-large"]);
    expect(valueOfMove(problem, plan, { studentId: "c", toSkillId: "k" }).broken).toEqual([
      "too-small",
      "too-large",
      "kept-apart",
      "kept-together",
    ]);
    const out = valueOfMove(problem, plan, { studentId: "b", toSkillId: null });
    expect(out).toMatchObject({ lost: expect.closeTo(0.8 - 0.1, 9), broken: ["too-small"] });
    expect(valueOfMove({ ...problem, slots: 1 }, plan, { studentId: "a", toSkillId: "k" }).broken).toEqual([
      "too-many-groups",
    ]);
    expect(valueOfMove({ ...problem, absent: ["a"] }, plan, { studentId: "a", toSkillId: "k" })).toMatchObject({
      lost: expect.closeTo(0, 9),
      broken: ["absent"],
    });
  });
});
