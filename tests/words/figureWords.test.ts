import { expect, it } from "vitest";
import { figureWords } from "@/words/staff/figureWords";

it("says what a figure stands on in one sentence", () => {
  expect(figureWords("share", { right: 18, n: 26, low: 50, high: 84 })).toBe(
    "18 of 26 right; among many students like these it would lie between 50 and 84 %, by luck alone.",
  );
  const mark = { right: 7, answered: 10, minutes: 12, line: 70 };
  expect(figureWords("mark", { ...mark, reached: "yes" })).toBe(
    "7 of 10 items right at the first try, in 12 minutes; at or above the line of 70 %.",
  );
  expect(figureWords("mark", { ...mark, minutes: 0, reached: "no" })).toBe(
    "7 of 10 items right at the first try, in less than a minute; below the line of 70 %.",
  );
  expect(figureWords("level", { score: 512, whole: "yes", low: 496, high: 528 })).toBe(
    "512 on the scale, from its strands, each weighed by how sure it is and how many skills it has; with other items it could as well be 496 to 528.",
  );
  expect(figureWords("level", { score: 512, whole: "no", low: 496, high: 528 })).toContain("from a diagnostic");
});
