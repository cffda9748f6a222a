import { expect, it } from "vitest";
import { type AuthoredItem, bodyOf } from "@/server/content/authored/items";
import { itemFindings } from "@/server/content/checks/itemFindings";
import { repeatedSentences } from "@/server/content/checks/skillFindings";
import { shippedContent } from "~/demo/shippedContent";

const SOUND = {
  numbers: { a: "3..9", b: "3..9" },
  where: ["a != b"],
  stories: { art: { who: "Nadia" }, music: { who: "Ada" }, space: { who: "Lin" } },
  ask: "{who} has {a} boxes of {b}. How many in all?",
  hint: "Think of {a} groups.",
  solution: "{a} × {b} = {a * b}.",
  number: { is: "a * b", when: "x / b == a", wrong: { added: "a + b", "one-short": "a * b - b" } },
};
/** What is found in the sound item with something changed; undefined takes a field out. */
const found = (over: object) => {
  const fields = Object.entries({ ...SOUND, ...over }).filter(([, value]) => value !== undefined);
  const body = bodyOf("t/one", Object.fromEntries(fields) as unknown as AuthoredItem, {});
  return itemFindings({ id: "t/one", sometimes: [], body }).join("; ");
};

it("finds nothing in a sound item", () => {
  expect(found({})).toBe("");
});

it.each([
  ["a key that fails its condition", { number: { ...SOUND.number, when: "x == a" } }, "draw 0 fails"],
  ["a slot that nothing fills", { hint: "Think of {c}." }, "draw 0 fails"],
  ["a story without a word", { stories: { ...SOUND.stories, space: {} } }, "fails"],
  ["a mistake that is the key", { number: { ...SOUND.number, wrong: { added: "b * a" } } }, "added shows in 0 of 200"],
  ["a mistake that often hides", { where: ["a == b or a != 5"], numbers: { a: "2..3", b: "2..3" } }, "only"],
  ["numbers that are ugly", { solution: "It is {a / (1000 * b + 1)}." }, "an ugly fraction"],
  ["numbers that hardly change", { numbers: { a: [3], b: [4] } }, "different draws"],
  ["two options", { number: undefined, choose: { key: "yes", wrong: { added: "no" } } }, "three options"],
])("finds %s", (_, over, words) => {
  expect(found(over)).toContain(words);
});

it("finds a sentence that stands in two skills", () => {
  const skill = shippedContent()[0]?.skills[0];
  if (!skill) throw new Error("Nothing ships.");
  expect(repeatedSentences([skill])).toEqual([]);
  expect(repeatedSentences([skill, { ...skill, id: "another" }]).length).toBeGreaterThan(0);
});
