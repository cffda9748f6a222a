import { expect, it } from "vitest";
import { errorOfMarks } from "@/core/measurement/errorOfMarks";

it("is Lord's binomial error: the root of x(n − x)/(n − 1) in points, as a share", () => {
  // 5 of 10 right: 5 · 5 / 9 points squared, a root of 1.667 points or 0.1667 of the marks.
  expect(errorOfMarks([0.5], 10)).toBeCloseTo(Math.sqrt((5 * 5) / 9) / 10, 10);
  // A full mark and none have no error of this kind; the mean is over squares.
  expect(errorOfMarks([0, 1, 0.5], 10)).toBeCloseTo(Math.sqrt(25 / 9 / 3) / 10, 10);
  expect(errorOfMarks([], 10)).toBe(0);
  expect(() => errorOfMarks([0.5], 1)).toThrow(/Two items/);
});
