import { expect, it } from "vitest";
import { byDay, byNeed } from "@/features/work/view/workOrder";

const calm = { stuck: 0, joinedCount: 0, toShow: 0, toScore: 0, notStarted: 0, isDueSoon: false, dueAt: 50 };

it("what needs the teacher comes first, the most urgent before the rest, then what is due first", () => {
  const works = [
    { ...calm, name: "calm, later", dueAt: 90 },
    { ...calm, name: "no due day", dueAt: null },
    { ...calm, name: "calm, earlier", dueAt: 40 },
    { ...calm, name: "to show", toShow: 3 },
    { ...calm, name: "not begun, due tomorrow", notStarted: 5, isDueSoon: true },
    { ...calm, name: "not begun, due in a week", notStarted: 5 },
    { ...calm, name: "to score", toScore: 1, dueAt: 30 },
    { ...calm, name: "stuck", stuck: 1 },
  ];
  expect([...works].sort(byNeed).map(({ name }) => name)).toEqual([
    "stuck",
    "not begun, due tomorrow",
    "to score",
    "to show",
    "calm, earlier",
    "not begun, due in a week",
    "calm, later",
    "no due day",
  ]);
});

it("two without a due day stay as they were", () => {
  expect(byDay({ dueAt: null }, { dueAt: null })).toBe(0);
});
