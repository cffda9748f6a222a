import { expect, it } from "vitest";
import { hintLadder } from "@/core/items/hintLadder";

const OF_SKILL = ["Draw it.", "Look for one share.", "Share out, then count one share."];

it("ends with the item's own hint, which tells the most", () => {
  expect(hintLadder("Divide 12 by 3.", OF_SKILL)).toEqual(["Draw it.", "Look for one share.", "Divide 12 by 3."]);
});

it("says nothing twice where the item's own is one of the skill's", () => {
  expect(hintLadder("Draw it.", OF_SKILL)).toEqual(OF_SKILL);
});

it("is the item's own where the skill has none, and empty where the item has none", () => {
  expect(hintLadder("Draw it.", null)).toEqual(["Draw it."]);
  expect(hintLadder("", OF_SKILL)).toEqual([]);
});
