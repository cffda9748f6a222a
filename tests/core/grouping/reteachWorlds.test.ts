import { describe, expect, it } from "vitest";
import { oneClass } from "~/scripts/prove/reteach";
import { NOTHING_WORKS, SOMETHING_WORKS } from "~/scripts/prove/worlds/reteaching";

const CLASSES = 120;

const judged = (between: (typeof NOTHING_WORKS)[number]) =>
  Array.from({ length: CLASSES }, (_, n) => oneClass(`test ${between.name} ${n}`, between)).filter(
    ({ compared }) => compared,
  );

describe("whether a reteach worked, in worlds where it is known", () => {
  it.each(NOTHING_WORKS)("is said wrongly of fewer than one in ten: $name", (between) => {
    const all = judged(between);
    expect(all.length).toBeGreaterThan(20);
    expect(all.filter(({ worked }) => worked).length / all.length).toBeLessThan(0.1);
  });

  it("is said the more often the more it brings, and the group alone would say it of anything", () => {
    const shares = SOMETHING_WORKS.map((between) => {
      const all = judged(between);
      return all.filter(({ worked }) => worked).length / all.length;
    });
    expect(shares[1]).toBeGreaterThan(0.25);
    expect(shares[2]).toBeGreaterThan(shares[0] ?? 1);
    const [, , , everybody] = NOTHING_WORKS;
    const alone = everybody ? judged(everybody).filter((one) => one.alone).length / CLASSES : 0;
    expect(alone).toBeGreaterThan(0.4);
  });
});
