import { expect, it } from "vitest";
import { projectLevels } from "@/core/work/projectLevels";

const skill = (skillId: string, mastery: number, over: object = {}) => ({
  skillId,
  mastery,
  learning: 0.5,
  isKnown: true,
  ...over,
});
const secure = (answersADay: number, daysLeft: number) => ({ level: "secure" as const, answersADay, daysLeft });

it("lets what is there stay, and spreads the answers to come over what is not", () => {
  const found = projectLevels([skill("a", 0.85), skill("b", 0.1), skill("c", 0.45)], secure(2, 10));
  // Twenty answers, ten for each of the two: 1 − 0.84^10 = 0.8251 of the half that is learning comes to it.
  expect(found.map(({ course }) => course)).toEqual(["there", "behind", "on-course"]);
  expect(found[0]?.later).toBe(0.85);
  expect(found[1]?.later).toBeCloseTo(0.1 + 0.9 * 0.5 * 0.8251, 4);
  expect(found[2]?.later).toBeCloseTo(0.45 + 0.55 * 0.5 * 0.8251, 4);
});

it("is on course when it is then mastered more likely than not, and behind without answers or days", () => {
  const [near] = projectLevels([skill("a", 0.75, { learning: 0.9 })], secure(1, 5));
  // 0.75 + 0.25 · 0.9 · (1 − 0.84^5) = 0.881.
  expect(near).toMatchObject({ course: "on-course" });
  expect(near?.later).toBeCloseTo(0.75 + 0.25 * 0.9 * (1 - 0.84 ** 5), 9);
  for (const [answers, days] of [
    [0, 10],
    [3, 0],
  ] as const)
    expect(projectLevels([skill("a", 0.79)], secure(answers, days))[0]).toMatchObject({
      course: "behind",
      later: 0.79,
    });
});

it("calls nothing there of which too little is known, and aims lower at Developing", () => {
  expect(projectLevels([skill("a", 0.9, { isKnown: false })], secure(0, 3))[0]?.course).toBe("behind");
  const low = { level: "developing" as const, answersADay: 0, daysLeft: 0 };
  expect(projectLevels([skill("a", 0.5)], low)[0]?.course).toBe("there");
  expect(projectLevels([], low)).toEqual([]);
  expect(() => projectLevels([], secure(-1, 0))).toThrow("Answers and days");
});
