import { expect, it } from "vitest";
import { type Standing, WHOM_LEVELS, type Whom, whomFits } from "@/core/grouping/whomFits";
import { rational } from "@/core/numeric/rational";

const standing = (over: Partial<Standing> = {}): Standing => ({
  level: "developing",
  tooLittle: false,
  old: false,
  mastered: false,
  ready: 0.9,
  snag: false,
  hasWork: false,
  groupIds: ["g"],
  ...over,
});
const fitting = (over: Partial<Standing>) => WHOM_LEVELS.filter((level) => whomFits({ level }, standing(over)));

it("means people by how far they have come; with too little evidence nobody counts as Secure", () => {
  expect(fitting({})).toEqual(["not-secure", "developing", "everyone"]);
  expect(fitting({ level: "beginning" })).toEqual(["not-secure", "beginning", "everyone"]);
  expect(fitting({ level: "extending" })).toEqual(["secure", "everyone"]);
  expect(fitting({ level: "secure", tooLittle: true })).toEqual(["not-secure", "too-little", "everyone"]);
});

it("whoever has mastered it is not asked again, also where the level has faded", () => {
  expect(fitting({ mastered: true })).toEqual(["secure", "everyone"]);
});

it("means people by what they have of a piece of work, exactly at the line, and nobody who was not given it", () => {
  const one = { begun: true, through: false, share: rational(794, 1000) };
  const by = (inWork: Whom["inWork"], works?: Standing["works"]) =>
    whomFits({ level: "everyone", ...(inWork ? { inWork } : {}) }, standing(works ? { works } : {}));
  expect(by({ workId: "w", is: "below", percent: 80 }, { w: one })).toBe(true);
  expect(by({ workId: "w", is: "below", percent: 79.4 }, { w: one })).toBe(false);
  expect(by({ workId: "w", is: "reached", percent: 79.4 }, { w: one })).toBe(true);
  expect(by({ workId: "w", is: "below", percent: 80 }, { w: { ...one, share: null } })).toBe(false);
  expect(by({ workId: "w", is: "not-through" }, { w: one })).toBe(true);
  expect(by({ workId: "w", is: "not-begun" }, { w: one })).toBe(false);
  expect(by({ workId: "w", is: "through" }, { w: { ...one, through: true } })).toBe(true);
  expect(by({ workId: "w", is: "not-through" }, { other: one })).toBe(false);
  expect(by({ workId: "w", is: "not-begun" })).toBe(false);
});

it("narrows by each wish alone, and by all of them together", () => {
  const narrowed = (whom: Omit<Whom, "level">, over: Partial<Standing>) =>
    whomFits({ level: "everyone", ...whom }, standing(over));
  expect([narrowed({ ready: "ready" }, { ready: 0.5 }), narrowed({ ready: "ready" }, { ready: 0.49 })]).toEqual([
    true,
    false,
  ]);
  expect([narrowed({ ready: "not-ready" }, { ready: 0.2 }), narrowed({ ready: "not-ready" }, {})]).toEqual([
    true,
    false,
  ]);
  expect([narrowed({ work: "without" }, {}), narrowed({ work: "without" }, { hasWork: true })]).toEqual([true, false]);
  expect([narrowed({ snag: true }, { snag: true }), narrowed({ snag: true }, {})]).toEqual([true, false]);
  expect([narrowed({ old: true }, { old: true }), narrowed({ old: true }, {})]).toEqual([true, false]);
  expect([narrowed({ groupId: "g" }, {}), narrowed({ groupId: "h" }, {})]).toEqual([true, false]);
  expect(narrowed({ ready: "ready", work: "without", groupId: "g" }, { hasWork: true })).toBe(false);
});
