import { expect, it } from "vitest";
import { heldUpNow } from "@/core/work/heldUpNow";

const MINUTE = 60_000;
const wrong = (times: number) => Array.from({ length: times }, () => false);

it("holds up by five wrong first tries in a row, and not by four or by five with a right one among them", () => {
  expect(heldUpNow({ right: wrong(5), times: [], quiet: 0 })).toBe("wrong-in-row");
  expect(heldUpNow({ right: [true, ...wrong(4)], times: [], quiet: 0 })).toBeNull();
  expect(heldUpNow({ right: [...wrong(2), true, ...wrong(4)], times: [], quiet: 0 })).toBeNull();
  expect(heldUpNow({ right: [...wrong(6), true], times: [], quiet: 0 })).toBeNull();
});

it("holds up by three times one's own median time without an answer, never under two minutes", () => {
  const slow = [70_000, 80_000, 90_000];
  expect(heldUpNow({ right: [], times: slow, quiet: 3.9 * MINUTE })).toBeNull();
  expect(heldUpNow({ right: [], times: slow, quiet: 4.1 * MINUTE })).toBe("quiet");
  expect(heldUpNow({ right: [], times: [5_000], quiet: 1.9 * MINUTE })).toBeNull();
  expect(heldUpNow({ right: [], times: [5_000], quiet: 2.1 * MINUTE })).toBe("quiet");
  expect(heldUpNow({ right: [], times: [], quiet: 4.9 * MINUTE })).toBeNull();
});
