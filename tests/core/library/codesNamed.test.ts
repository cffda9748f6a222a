import { expect, it } from "vitest";
import { codesNamed } from "@/core/library/codesNamed";

const CODES = ["WV 5.R1", "WV 5.R10", "6.A.2", "RL-7"];

it("finds codes with spaces in whatever list they stand, whole only", () => {
  expect(codesNamed("wv 5.r1,WV 5.R10\n6.a.2", CODES)).toEqual({
    named: ["WV 5.R1", "WV 5.R10", "6.A.2"],
    unknown: [],
  });
  expect(codesNamed("WV 5.R10", CODES).named).toEqual(["WV 5.R10"]);
  expect(codesNamed("WV 5.R1 WV 5.R1", CODES)).toEqual({ named: ["WV 5.R1"], unknown: [] });
});

it("says what it does not know", () => {
  expect(codesNamed("RL-7; RL-8, fractions", CODES)).toEqual({ named: ["RL-7"], unknown: ["rl-8", "fractions"] });
  expect(codesNamed("  ", CODES)).toEqual({ named: [], unknown: [] });
});
