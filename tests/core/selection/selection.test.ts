import { describe, expect, it } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { chanceOfRight } from "@/core/selection/chanceOfRight";
import { contrastSet } from "@/core/selection/contrastSet";
import { expectedGain } from "@/core/selection/expectedGain";
import { nextItem } from "@/core/selection/nextItem";
import { nextSkill, type OpenSkill } from "@/core/selection/nextSkill";

const candidates = ["m/1", "m/2"].flatMap((itemId) =>
  [-1, -0.5, 0, 0.5, 1].map((b, seed) => ({
    itemId,
    seed,
    parameters: { a: 1.4, b, c: 0 },
  })),
);
const situation = {
  belief: { mean: 0.2, spread: 0.8 },
  skillDifficulty: 0,
  missesInRow: 0,
  recentItemIds: [] as string[],
  seen: new Set<string>(),
};

const strong = { mean: 1, spread: 0.8 };

describe("nextItem", () => {
  it("takes the item whose predicted chance lies nearest 0.80", () => {
    const chosen = nextItem(candidates, situation, seededRandom("a"));
    const distance = (b: number) => Math.abs(chanceOfRight({ mean: 0.2, spread: 0.8 }, { a: 1.4, b, c: 0 }, 0) - 0.8);
    const best = Math.min(...candidates.map(({ parameters }) => distance(parameters.b)));
    expect(distance(chosen?.parameters.b ?? 99)).toBeLessThanOrEqual(best + 0.02);
  });

  it("gets easier after two misses", () => {
    const usual = nextItem(candidates, { ...situation, belief: strong }, seededRandom("a"));
    const easier = nextItem(candidates, { ...situation, belief: strong, missesInRow: 2 }, seededRandom("a"));
    expect(easier?.parameters.b).toBeLessThan(usual?.parameters.b ?? -99);
  });

  it("does not repeat an item, nor an item model when another will do", () => {
    const first = nextItem(candidates, situation, seededRandom("a"));
    const next = nextItem(
      candidates,
      { ...situation, recentItemIds: [first?.itemId ?? ""], seen: new Set([`${first?.itemId}#${first?.seed}`]) },
      seededRandom("a"),
    );
    expect(next?.itemId).not.toBe(first?.itemId);
    const all = new Set(candidates.slice(1).map(({ itemId, seed }) => `${itemId}#${seed}`));
    expect(nextItem(candidates, { ...situation, seen: all }, seededRandom("a"))).toBe(candidates[0]);
  });

  it("gives a seen item rather than none, and none without candidates", () => {
    const all = new Set(candidates.map(({ itemId, seed }) => `${itemId}#${seed}`));
    expect(nextItem(candidates, { ...situation, seen: all }, seededRandom("a"))).not.toBeNull();
    expect(nextItem([], situation, seededRandom("a"))).toBeNull();
  });
});

describe("expectedGain", () => {
  it("weighs what can be gained, readiness and what it unlocks", () => {
    const usual = { mastery: 0.5, ready: 1, unlockedWeight: 0, learning: 0.5 };
    expect(expectedGain(usual)).toBeCloseTo((0.5 * 0.5 * (1 - 0.84 ** 6)) / 5.4, 12);
    expect(expectedGain({ ...usual, mastery: 0.9 })).toBeLessThan(expectedGain(usual));
    expect(expectedGain({ ...usual, ready: 0.5 })).toBeCloseTo(expectedGain(usual) / 2, 12);
    expect(expectedGain({ ...usual, unlockedWeight: 1 })).toBeCloseTo(expectedGain(usual) * 2, 12);
  });
});

describe("nextSkill", () => {
  const skill = (id: string, over: Partial<OpenSkill> = {}): OpenSkill => ({
    id,
    mastery: 0.5,
    learning: 0.5,
    ready: 1,
    unlockedWeight: 0,
    done: false,
    answersHere: 0,
    contrasts: [],
    ...over,
  });

  it("begins with the highest expected gain and stays for three answers", () => {
    const skills = [skill("known", { mastery: 0.9 }), skill("new", { mastery: 0.2 })];
    expect(nextSkill(skills, [])).toBe("new");
    const begun = [skill("known", { mastery: 0.1 }), skill("new", { mastery: 0.6, answersHere: 2 })];
    expect(nextSkill(begun, ["new", "new"])).toBe("new");
    expect(nextSkill(begun, ["new", "new", "new"])).toBe("known");
  });

  it("keeps no more than two skills begun and unfinished", () => {
    const skills = [
      skill("a", { answersHere: 3, mastery: 0.6 }),
      skill("b", { answersHere: 3, mastery: 0.7 }),
      skill("c", { mastery: 0.05 }),
    ];
    expect(nextSkill(skills, ["b", "b", "b"])).toBe("a");
    expect(nextSkill(skills, ["b", "b", "b"], 3)).toBe("c");
  });

  it("puts in a confusable partner after three in a row once the skill is likely mastered", () => {
    const skills = [
      skill("a", { mastery: 0.8, contrasts: ["b"], answersHere: 3 }),
      skill("b", { done: true, answersHere: 4, mastery: 0.97 }),
    ];
    expect(nextSkill(skills, ["a", "a", "a"])).toBe("b");
    expect(nextSkill(skills, ["b", "a", "a"])).toBe("a");
    expect(nextSkill([skill("a", { mastery: 0.65, contrasts: ["b"] }), ...skills.slice(1)], ["a", "a", "a"])).toBe("a");
  });

  it("ends when everything is done", () => {
    expect(nextSkill([skill("a", { done: true })], ["a"])).toBeNull();
  });
});

describe("contrastSet", () => {
  it("gives the skill half the places and never two of a kind in a row", () => {
    const set = contrastSet("ratio", ["difference", "share"], 8);
    expect(set.filter((id) => id === "ratio")).toHaveLength(4);
    expect(set.filter((id) => id === "share")).toHaveLength(2);
    for (let place = 1; place < set.length; place++) expect(set[place]).not.toBe(set[place - 1]);
    expect(contrastSet("ratio", ["share"], 5).filter((id) => id === "ratio")).toHaveLength(3);
    expect(contrastSet("ratio", [], 3)).toEqual(["ratio", "ratio", "ratio"]);
    expect(() => contrastSet("ratio", [], 1.5)).toThrow(/whole/);
  });
});
