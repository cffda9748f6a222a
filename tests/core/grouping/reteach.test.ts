import { describe, expect, it } from "vitest";
import { chanceByCheck } from "@/core/grouping/chanceByCheck";
import { similarStudents } from "@/core/grouping/comparedChange";
import { nextApproach } from "@/core/grouping/nextApproach";
import { reteachParts } from "@/core/grouping/reteachParts";
import { type Checked, reteachWorked } from "@/core/grouping/reteachWorked";
import { whatHelped } from "@/core/grouping/whatHelped";
import { APPROACHES, type Approach } from "@/core/model/reteach";

const of = (before: number, after: number, share: number): Checked => ({ before, after, share });

describe("whether a reteach worked", () => {
  const alike = [of(0.2, 0.22, 0.2), of(0.22, 0.2, 0.4), of(0.25, 0.24, 0.2), of(0.28, 0.3, 0.4)];

  it("is said only beyond luck, by chance and by the check", () => {
    const taught = [of(0.2, 0.8, 1), of(0.22, 0.75, 0.8), of(0.25, 0.82, 1), of(0.28, 0.85, 1)];
    const { verdict, chance, check } = reteachWorked(taught, alike);
    expect(verdict).toBe("worked");
    // By hand: changes of 0.6, 0.53, 0.57 and 0.57 are 0.5675 on average.
    expect(chance?.change).toBeCloseTo(0.5675, 10);
    expect(check?.change).toBeCloseTo(0.95, 10);
    expect(chance).toMatchObject({ matched: 4, members: 4, similar: 4 });
    expect(chance?.low).toBeLessThan(chance?.difference ?? 0);
    // The chance alone, with a check no better than the others', is not enough.
    const sameCheck = taught.map((one, place) => ({ ...one, share: alike[place]?.share ?? 0 }));
    expect(reteachWorked(sameCheck, alike).verdict).toBe("open");
  });

  it("is denied where they moved as little as the others, and open where the difference may be luck", () => {
    expect(reteachWorked(alike, alike).verdict).toBe("no-further");
    const mixed = [of(0.2, 0.9, 1), of(0.22, 0.15, 0.2), of(0.25, 0.7, 0.8), of(0.28, 0.2, 0.2)];
    expect(reteachWorked(mixed, alike).verdict).toBe("open");
  });

  it("is not said of one student, or without anybody alike who did the check", () => {
    for (const [members, others] of [
      [[of(0.2, 0.9, 1)], alike],
      [alike, []],
      [alike, [of(0.9, 0.9, 1), of(0.95, 0.9, 1)]],
      [[], []],
    ] as const)
      expect(reteachWorked(members, others)).toEqual({ verdict: "no-comparison", chance: null, check: null });
  });

  it("compares with the nearest within a tenth, each once, in the order given", () => {
    const others = [0.5, 0.12, 0.31, 0.18, 0.2, 0.22].map((chance) => ({ chance }));
    expect(similarStudents([{ chance: 0.2 }], others)).toEqual([{ chance: 0.18 }, { chance: 0.2 }, { chance: 0.22 }]);
    expect(similarStudents([{ chance: 0.2 }, { chance: 0.21 }], others).length).toBe(3);
    expect(similarStudents([{ chance: 0.8 }], others)).toEqual([]);
  });
});

describe("the chance by a check alone", () => {
  const item = { a: 1.4, b: 0.75, c: 0 };
  it("rises with every right answer, falls with every wrong one, and does not hang on their order", () => {
    const before = { mean: -0.5, spread: 0.8 };
    const after = (shares: readonly number[]) =>
      chanceByCheck(
        before,
        shares.map((share) => ({ share, item })),
        0,
      );
    expect(after([1, 1, 1, 1])).toBeGreaterThan(after([1, 1, 1]));
    expect(after([1, 1, 1])).toBeGreaterThan(after([]));
    expect(after([0, 0])).toBeLessThan(after([]));
    // Kept as a normal distribution after each answer, so the order makes a little difference.
    expect(Math.abs(after([1, 0, 1]) - after([0, 1, 1]))).toBeLessThan(0.03);
  });
});

describe("another approach", () => {
  const available = [...APPROACHES];
  const base = { available, studentIds: ["a", "b"], tried: [], sharedMistake: 0, ready: 1 };
  const tried = (approach: Approach, helped: boolean | null, ...ids: string[]) =>
    ids.map((personId) => ({ personId, approach, helped }));

  it("begins underneath, with a shared mistake, or as usual", () => {
    expect(nextApproach(base)).toEqual({ approach: "things", because: "usual", triedInVain: 0 });
    expect(nextApproach({ ...base, sharedMistake: 0.5 })).toMatchObject({
      approach: "own-answers",
      because: "same-mistake",
    });
    expect(nextApproach({ ...base, sharedMistake: 1, ready: 0.4 })).toMatchObject({
      approach: "underneath",
      because: "underneath",
    });
    expect(nextApproach({ ...base, available: ["things", "steps"], sharedMistake: 1, ready: 0 }).approach).toBe(
      "things",
    );
  });

  it("is never one that did not help, as long as there is another", () => {
    let vain: ReturnType<typeof tried> = [];
    const seen = new Set<Approach>();
    for (const _ of available) {
      const { approach, triedInVain } = nextApproach({ ...base, sharedMistake: 1, tried: vain });
      expect(seen.has(approach)).toBe(false);
      expect(triedInVain).toBe(0);
      seen.add(approach);
      vain = [...vain, ...tried(approach, false, "a", "b")];
    }
    expect(seen.size).toBe(available.length);
    expect(nextApproach({ ...base, tried: vain })).toMatchObject({ because: "least-tried", triedInVain: 2 });
  });

  it("may be the same again where it helped, or where others were taught it", () => {
    expect(nextApproach({ ...base, tried: tried("things", true, "a") }).approach).toBe("things");
    expect(nextApproach({ ...base, tried: tried("things", false, "z") }).approach).toBe("things");
    // What is not judged yet has not helped.
    expect(nextApproach({ ...base, tried: tried("things", null, "a") })).toMatchObject({ because: "not-tried" });
  });

  it.each(APPROACHES)("fits every slot: %s", (approach) => {
    for (const slot of [10, 15, 25] as const) {
      const parts = reteachParts(slot, approach);
      expect(parts.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(slot);
      expect(parts.at(-1)?.part).toBe("exit");
    }
    const shown = reteachParts(15, approach).map(({ part }) => part);
    const instead = { things: "show", underneath: "show", model: "model", steps: "steps", "own-answers": "look" };
    expect(shown).toContain(instead[approach]);
  });
});

describe("what helped with what", () => {
  it("counts by mistake and approach, with Wilson's interval, better known ones first", () => {
    const judged = (approach: Approach, misconceptionId: string | null, helped: number, of: number) =>
      Array.from({ length: of }, (_, place) => ({ approach, misconceptionId, skillId: "s", helped: place < helped }));
    const lines = whatHelped([
      ...judged("things", "m", 2, 2),
      ...judged("model", "m", 8, 10),
      ...judged("steps", null, 0, 1),
    ]);
    expect(
      lines.map(({ misconceptionId, approach, helped, students, few }) => [
        misconceptionId,
        approach,
        helped,
        students,
        few,
      ]),
    ).toEqual([
      ["m", "model", 8, 10, false],
      ["m", "things", 2, 2, true],
      [null, "steps", 0, 1, true],
    ]);
    // Eight of ten, from a table of Wilson's interval: 0.490 to 0.943.
    expect(lines[0]?.low).toBeCloseTo(0.49, 3);
    expect(lines[0]?.high).toBeCloseTo(0.943, 3);
  });
});
