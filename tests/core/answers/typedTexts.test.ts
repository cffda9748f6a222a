import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { checkText, type TextRule } from "@/core/answers/checkText";

/** What was typed, what is right, and what should come of it under the most lenient rule. */
type Typed = readonly [typed: string, accepted: string, verdict: "right" | "wrong"];
const CORPUS = JSON.parse(readFileSync("tests/reference/typedTexts.json", "utf8")) as readonly Typed[];
const LENIENT: Omit<TextRule, "accepted"> = {
  ignoreCase: true,
  ignoreSpacing: false,
  ignoreAccents: true,
  ignorePunctuation: true,
  spelling: "lenient",
};

it.each(CORPUS)("%j where %j is right: %s", (typed, accepted, verdict) => {
  expect(checkText(typed, { ...LENIENT, accepted: [accepted] }).verdict).toBe(verdict);
});
