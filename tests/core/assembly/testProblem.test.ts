import { expect, it } from "vitest";
import type { AssemblyItem } from "@/core/assembly/formProblem";
import { formsGreedily } from "@/core/assembly/formsGreedily";
import { testProblem, usualCount } from "@/core/assembly/testProblem";

const item = (id: string, standardId: string, b: number): AssemblyItem => ({
  id,
  a: 1.4,
  b,
  c: 0,
  standardId,
  depth: 1,
  kind: id,
  passageId: null,
  enemyIds: [],
});
const stock = ["x", "y"].flatMap((skill) =>
  Array.from({ length: 8 }, (_, n) => item(`${skill}${n}`, skill, n / 4 - 1)),
);
const wishes = {
  counts: [
    { skillId: "x", items: 3, difficulty: 0, mostOfOne: 1 },
    { skillId: "y", items: 2, difficulty: 1, mostOfOne: 1 },
    { skillId: "z", items: 0, difficulty: 9, mostOfOne: 1 },
  ],
  forms: 1,
  level: "usual" as const,
  lockedIn: ["x0"],
  leftOut: ["y1"],
};

it("asks for so many items of each skill, around where they are just mastered, with what is held and without what was dropped", () => {
  const problem = testProblem(stock, wishes);
  expect(problem).toMatchObject({ length: 5, cut: 0.5 });
  const [form] = formsGreedily(problem) ?? [];
  expect(form?.filter(({ standardId }) => standardId === "x")).toHaveLength(3);
  expect(form?.filter(({ standardId }) => standardId === "y")).toHaveLength(2);
  expect(form?.map(({ id }) => id)).toContain("x0");
  expect(form?.map(({ id }) => id)).not.toContain("y1");
});

it("lets one item come again with other numbers only as often as it has to", () => {
  const few = ["a", "b"].flatMap((kind) => [0, 1, 2, 3].map((n) => ({ ...item(`${kind}${n}`, "x", n / 4), kind })));
  const counts = [{ skillId: "x", items: 4, difficulty: 0, mostOfOne: 2 }];
  const [form = []] = formsGreedily(testProblem(few, { ...wishes, counts, lockedIn: [], leftOut: [] })) ?? [];
  expect(form.map(({ kind }) => kind).sort()).toEqual(["a", "a", "b", "b"]);
});

it("is as much easier as it can be harder", () => {
  const cutAt = (level: "easier" | "usual" | "harder") => testProblem(stock, { ...wishes, level }).cut;
  expect(cutAt("usual") - cutAt("easier")).toBeCloseTo(cutAt("harder") - cutAt("usual"), 9);
  expect(cutAt("harder")).toBeGreaterThan(cutAt("usual"));
});

it("has about a dozen items, and two at least of each skill", () => {
  expect([1, 2, 3, 4, 6, 12].map(usualCount)).toEqual([6, 6, 4, 3, 2, 2]);
});
