import { expect, it } from "vitest";
import { leftOutOfTests } from "@/core/roster/leftOutOfTests";

it("leaves out of the tests of one subject, or of all, until the last day", () => {
  const all = { subjectId: null, until: null };
  expect(leftOutOfTests(all, ["mathematics"], "2030-01-01")).toBe(true);
  const some = { subjectId: "language", until: "2026-12-18" };
  expect(leftOutOfTests(some, ["mathematics"], "2026-12-01")).toBe(false);
  expect(leftOutOfTests(some, ["mathematics", "language"], "2026-12-18")).toBe(true);
  expect(leftOutOfTests(some, ["language"], "2026-12-19")).toBe(false);
  // While nothing is chosen yet, the careful answer.
  expect(leftOutOfTests(some, [], "2026-12-01")).toBe(true);
});
