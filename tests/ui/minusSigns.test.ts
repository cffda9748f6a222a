import { expect, it } from "vitest";
import { minusSigns } from "@/ui/primitives/minusSigns";

it.each([
  ["-3 + 5", "−3 + 5"],
  ["What is 12 - 5?", "What is 12 − 5?"],
  ["x - 4 = -2", "x − 4 = −2"],
  ["(-1.5; -.5)", "(−1.5; −.5)"],
  ["-1 3/4", "−1 3/4"],
  ["a well-known 3-fold, 4-5 pages", "a well-known 3-fold, 4-5 pages"],
  ["2026-11-25", "2026-11-25"],
  ["red - or blue", "red - or blue"],
  ["plain", "plain"],
])("%s is set as %s", (plain, set) => expect(minusSigns(plain)).toBe(set));
