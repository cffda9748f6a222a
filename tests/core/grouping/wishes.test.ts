import { describe, expect, it } from "vitest";
import { explainedGroups } from "@/core/grouping/explainers";
import type { GroupProblem } from "@/core/grouping/groupProblem";
import { groupsGreedily } from "@/core/grouping/groupsGreedily";
import { groupTimes } from "@/core/grouping/groupTimes";
import { besideLocked, withLocked } from "@/core/grouping/lockedGroups";
import { mixedGroups } from "@/core/grouping/mixedGroups";
import { planGroups } from "@/core/grouping/planGroups";
import { seededRandom } from "@/core/numeric/seededRandom";
import { solveWithHighs } from "@/server/runtime/solver";

const SEEDS = Array.from({ length: 30 }, (_, seed) => seed);

/** Every way to give each of so many things one of so many places. */
function* ways(things: number, places: number, begun: readonly number[] = []): Generator<readonly number[]> {
  if (begun.length === things) {
    yield begun;
    return;
  }
  for (let place = 0; place < places; place++) yield* ways(things, places, [...begun, place]);
}

const inClass = (seed: number): GroupProblem => {
  const random = seededRandom(`wishes ${seed}`);
  const studentIds = ["s0", "s1", "s2", "s3", "s4", "s5"];
  return {
    studentIds,
    skillIds: ["k0", "k1"],
    need: studentIds.map(() => [random(), random() < 0.3 ? 0 : random()].map((need) => Math.round(need * 100) / 100)),
    smallest: 2,
    largest: 4,
    slots: 2,
    keepApart: random() < 0.5 ? [["s2", "s3"]] : [],
    fixed: [{ studentId: "s0", skillId: "k1" }],
  };
};

/** The most need that can be served, tried by hand: 0 stands for no group. */
function bestWithFixed({ need, smallest, largest, keepApart = [], fixed = [] }: GroupProblem): number {
  let best = -1;
  for (const way of ways(6, 3)) {
    const sizes = [1, 2].map((group) => way.filter((own) => own === group).length);
    const isAllowed =
      sizes.every((size) => size === 0 || (size >= smallest && size <= largest)) &&
      fixed.every(({ studentId, skillId }) => way[Number(studentId[1])] === Number(skillId[1]) + 1) &&
      keepApart.every(([one, other]) => {
        const [a, b] = [way[Number(one[1])], way[Number(other[1])]];
        return a === 0 || a !== b;
      }) &&
      way.every(
        (group, student) =>
          group === 0 ||
          (need[student]?.[group - 1] ?? 0) > 0 ||
          fixed.some(({ studentId }) => studentId === `s${student}`),
      );
    if (!isAllowed) continue;
    best = Math.max(
      best,
      way.reduce((sum, group, student) => sum + (group === 0 ? 0 : (need[student]?.[group - 1] ?? 0)), 0),
    );
  }
  return best;
}

describe("students who are fixed in a group", () => {
  it("are there, and the rest is as good as trying every way", async () => {
    for (const seed of SEEDS) {
      const problem = inClass(seed);
      const plan = await planGroups(problem, solveWithHighs, 5);
      expect(plan.groups.find(({ skillId }) => skillId === "k1")?.studentIds, `class ${seed}`).toContain("s0");
      expect(plan.needServed, `class ${seed}`).toBeCloseTo(bestWithFixed(problem), 6);
      expect(groupsGreedily(problem).needServed).toBeLessThanOrEqual(plan.needServed + 1e-9);
    }
  });

  it("make a group smaller than wished where nobody else needs it, rather than be forgotten", async () => {
    const alone: GroupProblem = { ...inClass(0), need: inClass(0).need.map(([first = 0]) => [first, 0]) };
    const plan = await planGroups(alone, solveWithHighs, 5);
    expect(plan.groups.find(({ skillId }) => skillId === "k1")?.studentIds).toEqual(["s0"]);
    expect(plan.quality).toBe("greedy");
  });
});

describe("groups that stay as they are", () => {
  it("take their students, skills and slots out of the rest, and come back with it", async () => {
    const problem = { ...inClass(1), fixed: [], smallest: 1 };
    const locked = [{ skillId: "k0", studentIds: ["s4", "s5"] }];
    const rest = besideLocked(problem, locked);
    expect(rest).toMatchObject({ studentIds: ["s0", "s1", "s2", "s3"], skillIds: ["k1"], slots: 1 });
    expect(rest.need).toEqual(problem.need.slice(0, 4).map(([, second]) => [second]));
    const plan = withLocked(problem, locked, await planGroups(rest, solveWithHighs, 5));
    expect(
      plan.groups
        .find(({ skillId }) => skillId === "k0")
        ?.studentIds.slice()
        .sort(),
    ).toEqual(["s4", "s5"]);
    const served = plan.groups.flatMap(({ skillId, studentIds }) =>
      studentIds.map((id) => problem.need[Number(id[1])]?.[Number(skillId[1])] ?? 0),
    );
    expect(plan.needServed).toBeCloseTo(
      served.reduce((sum, need) => sum + need, 0),
      9,
    );
  });

  it("leave nothing to be made where they take every slot", async () => {
    const problem = { ...inClass(2), fixed: [], slots: 1 };
    const rest = await planGroups(besideLocked(problem, [{ skillId: "k0", studentIds: ["s0"] }]), solveWithHighs, 5);
    expect(rest.groups).toEqual([]);
  });
});

describe("groups mixed on purpose", () => {
  it("have means nearly as near to each other as any way can bring them", () => {
    for (const seed of SEEDS) {
      const random = seededRandom(`mixed ${seed}`);
      const students = Array.from({ length: 6 }, (_, n) => ({ id: `s${n}`, level: random() }));
      const all = students.reduce((sum, { level }) => sum + level, 0) / 6;
      const apart = (way: readonly number[]) =>
        [0, 1].reduce((sum, group) => {
          const own = students.filter((_, place) => way[place] === group);
          return sum + (own.reduce((total, { level }) => total + level, 0) / own.length - all) ** 2;
        }, 0);
      const even = [...ways(6, 2)].filter((way) => way.filter((group) => group === 0).length === 3);
      const best = Math.min(...even.map(apart));
      const plan = mixedGroups({ students, groups: 2 });
      expect(plan.groups.map((group) => group.length)).toEqual([3, 3]);
      expect(plan.apart, `class ${seed}`).toBeLessThan(best + 0.01);
    }
  });

  it("keep apart and together whom the teacher wants so", () => {
    const students = Array.from({ length: 12 }, (_, n) => ({ id: `s${n}`, level: n }));
    const plan = mixedGroups({
      students,
      groups: 3,
      keepApart: [
        ["s0", "s1"],
        ["s2", "s3"],
      ],
      keepTogether: [["s10", "s11"]],
    });
    const groupOf = (id: string) => plan.groups.findIndex((group) => group.includes(id));
    expect(groupOf("s0")).not.toBe(groupOf("s1"));
    expect(groupOf("s2")).not.toBe(groupOf("s3"));
    expect(groupOf("s10")).toBe(groupOf("s11"));
    expect(plan.broken).toBe(0);
    expect(plan.groups.map((group) => group.length)).toEqual([4, 4, 4]);
  });

  it("say how many wishes cannot be kept, and refuse more groups than students", () => {
    const pair = [
      { id: "a", level: 1 },
      { id: "b", level: 0 },
    ];
    expect(mixedGroups({ students: pair, groups: 1, keepApart: [["a", "b"]] }).broken).toBe(1);
    expect(() => mixedGroups({ students: pair, groups: 3 })).toThrow(/none of them empty/);
    expect(() =>
      mixedGroups({ students: pair, groups: 1, keepApart: [["a", "b"]], keepTogether: [["a", "b"]] }),
    ).toThrowError(expect.objectContaining({ code: "contradiction" }));
  });
});

describe("who can explain with who needs it", () => {
  const one = (id: string, chance: number, need = 0) => ({ id, chance, canExplain: need === 0, need });
  it("gives each group one who can, those nearest first, and deals out the neediest in turns", () => {
    const groups = explainedGroups(
      [one("a", 0.99), one("b", 0.85), one("c", 0.1, 0.9), one("d", 0.2, 0.8), one("e", 0.3, 0.7), one("f", 0.4, 0.6)],
      { groups: 2, atMost: 2 },
    );
    expect(groups).toEqual([
      { explainerId: "b", studentIds: ["c", "e"] },
      { explainerId: "a", studentIds: ["d", "f"] },
    ]);
  });
  it("keeps apart, leaves out whom there is no room for, and makes nothing of nobody", () => {
    expect(
      explainedGroups([one("a", 0.9), one("b", 0.1, 0.9), one("c", 0.2, 0.8)], {
        groups: 3,
        atMost: 1,
        keepApart: [["b", "a"]],
      }),
    ).toEqual([{ explainerId: "a", studentIds: ["c"] }]);
    expect(explainedGroups([one("a", 0.9)], { groups: 2, atMost: 2 })).toEqual([]);
    expect(() => explainedGroups([], { groups: 1, atMost: 0 })).toThrow(/one student or more/);
  });
});

describe("times of groups", () => {
  it("are such that as few as can be have to be in two places", () => {
    for (const seed of SEEDS) {
      const random = seededRandom(`times ${seed}`);
      const groups = [0, 1, 2].map((n) => [`a${n}`, `b${n}`]);
      const slots = ["1-1", "2-1", "3-1"];
      const busy = groups.flat().map((id) => ({
        studentIds: [id],
        slot: slots[Math.floor(random() * 3)] ?? "",
      }));
      const cost = (chosen: readonly (string | null)[]) =>
        groups.flatMap((members, place) =>
          members.filter((id) =>
            busy.some(({ studentIds, slot }) => slot === chosen[place] && studentIds.includes(id)),
          ),
        ).length;
      const orders = [...ways(3, 3)].filter((way) => new Set(way).size === 3);
      const best = Math.min(...orders.map((way) => cost(way.map((place) => slots[place] ?? ""))));
      const chosen = groupTimes(groups, slots, busy);
      expect(new Set(chosen).size).toBe(3);
      expect(cost(chosen), `week ${seed}`).toBe(best);
    }
  });
  it("leave later groups without one, and are taken in turn where there are many", () => {
    expect(groupTimes([["a"], ["b"]], ["1-1"], [])).toEqual(["1-1", null]);
    const many = Array.from({ length: 9 }, (_, place) => `${(place % 5) + 1}-${Math.floor(place / 5) + 1}`);
    const chosen = groupTimes([["a"], ["b"]], many, [{ studentIds: ["a"], slot: "1-1" }]);
    expect(chosen[0]).not.toBe("1-1");
    expect(chosen[1]).toBe("1-1");
  });
});
