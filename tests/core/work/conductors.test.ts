import { describe, expect, it } from "vitest";
import { WORK_KINDS, type WorkKind } from "@/core/model/work";
import { seededRandom } from "@/core/numeric/seededRandom";
import { chooseNext, chooseReserve, skillsLookedAt } from "@/core/work/chooseNext";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { fewestItems, practiceRule } from "@/core/work/endRule";
import { chanceNow, type PartSituation, type PickedItem } from "@/core/work/partSituation";
import type { SittingItem } from "@/core/work/sittingItem";
import { EMPTY_SITUATION } from "~/tests/support/emptySituation";

const pool = (skill: string) =>
  ["one", "two"].flatMap((name) =>
    Array.from({ length: 10 }, (_, seed) => ({
      itemId: `${skill}/${name}`,
      versionId: `${skill}/${name}@1`,
      seed,
      contexts: ["garden", "music"],
      parameters: { a: 1.4, b: (seed - 5) * 0.2, c: 0 },
    })),
  );
const skill = (id: string) => ({
  strandId: "s",
  grade: 6,
  difficulty: 0,
  prerequisites: [],
  contrasts: [],
  unlocks: 0,
  pool: pool(id),
});
const shown = (n: number, over: Partial<SittingItem> = {}): SittingItem => ({
  id: `i${n}`,
  state: "done",
  skillId: n % 2 === 0 ? "x" : "y",
  itemId: "x/one",
  versionId: "x/one@1",
  seed: 100 + n,
  context: "garden",
  tries: 1,
  points: 1,
  earned: 1,
  possible: 1,
  setAside: false,
  ...over,
});
const situation = (over: Partial<PartSituation> = {}): PartSituation => ({
  ...EMPTY_SITUATION,
  skillIds: ["x", "y"],
  skills: new Map([
    ["x", skill("x")],
    ["y", skill("y")],
  ]),
  ...over,
});
const picked = (n: number): PickedItem => ({
  skillId: "x",
  itemId: "x/two",
  versionId: "x/two@1",
  seed: n,
  context: "music",
});
const random = () => seededRandom("conductors");

describe.each(WORK_KINDS)("%s", (kind) => {
  const conductor = conductorOf(kind);
  // A review has what is due, each once: no number of items (tests/core/work/review.test.ts).
  const hasQueue = kind === "review";

  it("begins with nothing done, and something to give, unless it is read", () => {
    const start = situation({ state: conductor.begin(situation()) });
    expect(conductor.end(start)).toMatchObject({ progress: 0, done: false, reason: null });
    expect(conductor.mark(start)).toBeNull();
    if (conductor.isRead) expect(chooseNext(conductor, start, random())).toBe(null);
    else expect(chooseNext(conductor, start, random())).toMatchObject({ skillId: expect.any(String) });
  });

  it.skipIf(conductor.isRead || hasQueue)("goes forward only, and ends at the latest when all items are spent", () => {
    let last = 0;
    for (let n = 0; n <= 4; n++) {
      const items = Array.from({ length: n }, (_, place) => shown(place, { earned: place < 2 ? 0 : 1 }));
      const { progress, done } = conductor.end(situation({ items }));
      expect(progress).toBeGreaterThanOrEqual(last);
      expect(done).toBe(n === 4);
      last = progress;
    }
    const items = Array.from({ length: 4 }, (_, place) => shown(place, { earned: place < 2 ? 0 : 1 }));
    expect(conductor.end(situation({ items, extraItems: 2 })).done).toBe(false);
  });

  it.skipIf(!conductor.looksAhead || hasQueue)(
    "fills a reserve with different draws, as if those before were answered",
    () => {
      const reserve = chooseReserve(conductor, situation({ settings: { items: 12 } }), 4, random());
      expect(reserve).toHaveLength(4);
      expect(new Set(reserve.map(({ itemId, seed }) => `${itemId}#${seed}`)).size).toBe(4);
    },
  );

  it.skipIf(!conductor.looksAhead || hasQueue)("takes a reserve item only for a skill that is its turn", () => {
    const items = [
      shown(0),
      shown(1),
      shown(2, { id: "r", state: "reserve", skillId: "x", itemId: "x/two", tries: 0 }),
    ];
    const next = chooseNext(
      conductor,
      situation({ items, skillIds: ["x"], parametersOf: () => ({ a: 1.4, b: -0.9, c: 0 }) }),
      random(),
    );
    expect(next).toHaveProperty("id", "r");
    const none = chooseNext(conductor, situation({ items, skillIds: ["y"] }), random());
    expect(none).not.toHaveProperty("id");
  });

  it.skipIf(hasQueue || conductor.mark(situation({ items: [shown(0)] })) === null)(
    "marks by first tries, exactly, and a part of an item as that part",
    () => {
      const items = [shown(0), shown(1, { earned: 1, possible: 3 }), shown(2, { earned: 0 })];
      expect(conductor.mark(situation({ items }))?.toFraction()).toBe("4/9");
    },
  );
});

describe("how kinds of work differ", () => {
  const take = (kind: WorkKind, right: boolean, number: number, offline = false) =>
    conductorOf(kind).take({ right, number, offline }, { items: 4 });

  it("a check gives one try, the others two; without a connection there is only one", () => {
    expect(
      WORK_KINDS.map((kind) => [kind, take(kind, false, 1), take(kind, false, 2), take(kind, false, 1, true)]),
    ).toEqual([
      ["practice", false, true, true],
      ["check", true, true, true],
      ["amount", false, true, true],
      ["quiz", true, true, true],
      ["diagnostic", true, true, true],
      ["sequential", true, true, true],
      ["contrast", false, true, true],
      ["paper", true, true, true],
      ["depth", false, true, true],
      ["lesson", true, true, true],
      ["review", false, true, true],
    ]);
    for (const kind of WORK_KINDS) expect(take(kind, true, 1)).toBe(true);
  });

  it("a check tells nothing before it is handed in", () => {
    expect(conductorOf("check").tells).toEqual({ verdict: false, hints: false, count: false });
    expect(conductorOf("amount").tells).toEqual({ verdict: true, hints: true, count: true });
  });

  it("a number of items goes through the item models of a skill evenly, however far some lie from the target", () => {
    const far = (itemId: string, b: number) =>
      Array.from({ length: 20 }, (_, seed) => ({
        itemId,
        versionId: `${itemId}@1`,
        seed,
        contexts: ["garden"],
        parameters: { a: 1.4, b, c: 0 },
      }));
    const models = [...far("x/near", -1), ...far("x/also", -0.8), ...far("x/hard", 3)];
    const own = situation({
      settings: { items: 9 },
      skillIds: ["x"],
      skills: new Map([["x", { ...skill("x"), pool: models }]]),
    });
    const chosen = chooseReserve(conductorOf("amount"), own, 9, random());
    const times = (itemId: string) => chosen.filter((item) => item.itemId === itemId).length;
    expect([times("x/near"), times("x/also"), times("x/hard")]).toEqual([3, 3, 3]);
    // Practice aims at the student instead.
    const aimed = chooseReserve(conductorOf("practice"), own, 9, random());
    expect(aimed.filter((item) => item.itemId === "x/hard")).toHaveLength(0);
  });

  it("practice ends by mastery before the budget, the others never do", () => {
    const state = {
      mastery: 0.97,
      learning: 0.5,
      prior: 0.3,
      evidence: 6,
      scoredAnswers: 6,
      rightFirstTries: 6,
      itemIds: ["a", "b"],
      firstDay: 20_000,
      lastDay: 20_000,
      stabilityDays: 20,
      memoryDifficulty: 5,
      masteredDay: 20_000,
      lostDay: null,
      mean: 1,
      spread: 0.5,
      unaidedAnswers: 6,
      rightIfMastered: 5,
      rightIfNot: 3,
      missesInRow: 0,
      snagDay: null,
      snagClearedDay: null,
      snagTimes: 0,
    };
    const items = [0, 1].map((n) => shown(n, { skillId: "x" }));
    const there = situation({ skillIds: ["x"], states: new Map([["x", state]]), items });
    expect(conductorOf("practice").end(there)).toEqual({ progress: 1, done: true, reason: "mastered" });
    // A chance of 0.96 is enough as usual, and not where the teacher asked for more.
    const strict = { ...there, settings: { items: 4, certainty: "stricter" as const } };
    const nearly = new Map([["x", { ...state, mastery: 0.96 }]]);
    expect(conductorOf("practice").end({ ...there, states: nearly })).toMatchObject({ done: true });
    expect(conductorOf("practice").end({ ...strict, states: nearly })).toMatchObject({ done: false });
    for (const kind of ["check", "amount"] as const)
      expect(conductorOf(kind).end(there)).toEqual({ progress: 0.5, done: false, reason: null });
  });

  it("a fixed number of items goes round the skills at the same hardness for everybody", () => {
    for (const kind of ["check", "amount"] as const) {
      const skills = [0, 1, 2].map((n) => {
        const aim = conductorOf(kind).next(
          situation(),
          Array.from({ length: n }, (_, place) => shown(place)),
          random(),
        );
        return aim && "belief" in aim ? [aim.skillId, aim.belief] : null;
      });
      expect(skills).toEqual([
        ["x", { mean: 0, spread: 1 }],
        ["y", { mean: 0, spread: 1 }],
        ["x", { mean: 0, spread: 1 }],
      ]);
    }
  });

  it("items picked by hand come in their order, for everybody the same, and end the work", () => {
    const amount = conductorOf("amount");
    const start = situation({ picked: [picked(7), picked(3)], settings: { items: 2 } });
    expect(chooseNext(amount, start, random())).toEqual(picked(7));
    const items = [shown(0, { ...picked(7) }), shown(1, { ...picked(3), state: "reserve", id: "r", tries: 0 })];
    const second = chooseNext(amount, { ...start, items }, random());
    expect(second).toMatchObject({ id: "r" });
    const all = [shown(0, picked(7)), shown(1, picked(3))];
    expect(amount.end({ ...start, items: all })).toMatchObject({ done: true, reason: "amount" });
    expect(amount.next(start, all, random())).toBeNull();
    expect(WORK_KINDS.filter((kind) => conductorOf(kind).pickable)).toEqual(["amount", "quiz", "paper"]);
  });
});

it("looks at the skills of the part and what they build on, each once", () => {
  const under: Record<string, string[]> = { c: ["a", "b"], b: ["a"] };
  expect(skillsLookedAt(["c", "b"], (id) => under[id] ?? [])).toEqual(["c", "a", "b"]);
  expect(() => chanceNow(situation(), "elsewhere")).toThrow(/does not hold/);
  expect(chanceNow(situation({ grade: null }), "x")).toBeGreaterThan(0);
});

describe("how practice ends by other rules", () => {
  const skillDone = (earned: readonly number[], end: PartSituation["settings"]["end"]) => {
    const items = earned.map((one, place) => shown(place, { skillId: "x", earned: one }));
    return conductorOf("practice").end(
      situation({ items, skillIds: ["x"], settings: { items: 20, ...(end ? { end } : {}) } }),
    );
  };

  it("after so many right in a row, or of the last", () => {
    const run = { by: "run", right: 3, of: 3 } as const;
    expect(skillDone([1, 1, 0, 1, 1], run)).toMatchObject({ done: false });
    expect(skillDone([1, 0, 1, 1, 1], run)).toMatchObject({ done: true, reason: "mastered" });
    expect(skillDone([1, 0, 1, 1], { by: "run", right: 3, of: 4 })).toMatchObject({ done: true });
  });

  it("at a net score, which a wrong answer takes from, never under nought", () => {
    const net = { by: "net", target: 3, penalty: 2 } as const;
    expect(skillDone([0, 0, 1, 1, 1], net)).toMatchObject({ done: true });
    expect(skillDone([1, 1, 0, 1, 1], net)).toMatchObject({ done: false });
    expect(skillDone([1, 1, 0, 1, 1, 1], net)).toMatchObject({ done: true, reason: "mastered" });
  });

  it("when the minutes are spent, which are more for those who need more", () => {
    const at = (minutes: number, over: Partial<PartSituation> = {}) =>
      conductorOf("practice").end(
        situation({ settings: { items: 20, minutes: 10 }, activeMilliseconds: minutes * 60_000, ...over }),
      ).done;
    expect([at(9), at(10), at(14, { timeFactor: 1.5 }), at(15, { timeFactor: 1.5 })]).toEqual([
      false,
      true,
      false,
      true,
    ]);
  });

  it("a budget can be told as a multiple of the fewest items that could end it", () => {
    expect(
      [{ by: "sure" }, { by: "run", right: 5, of: 6 }, { by: "net", target: 8, penalty: 1 }].map((end) =>
        fewestItems(practiceRule({ end: end as never })),
      ),
    ).toEqual([4, 5, 8]);
  });
});
