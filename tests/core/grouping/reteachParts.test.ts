import { expect, it } from "vitest";
import { RETEACH_SLOTS, reteachParts, slotOf } from "@/core/grouping/reteachParts";

it.each(RETEACH_SLOTS)("fills a slot of %i minutes and ends with the exit item", (slot) => {
  const parts = reteachParts(slot);
  expect(parts.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(slot);
  expect(parts.map(({ part }) => part)).toEqual(expect.arrayContaining(["look", "show", "alone", "exit"]));
  expect(parts.at(-1)?.part).toBe("exit");
});

it("takes the usual slot for minutes that are none of them", () => {
  expect([slotOf("10"), slotOf("11"), slotOf(undefined)]).toEqual([10, 15, 15]);
});
