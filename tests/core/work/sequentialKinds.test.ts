import { describe, expect, it } from "vitest";
import type { WorkKind } from "@/core/model/work";
import { mean } from "@/core/numeric/mean";
import { seededRandom } from "@/core/numeric/seededRandom";
import { chooseNext } from "@/core/work/chooseNext";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import type { PartSituation, PoolItem, SkillOfWork } from "@/core/work/partSituation";
import type { SittingItem } from "@/core/work/sittingItem";
import { EMPTY_SITUATION } from "~/tests/support/emptySituation";

/** Skills of grades 2 to 8 in two strands, three items a skill, ten draws an item. */
const GRADES = [2, 3, 4, 5, 6, 7, 8];
const SKILLS = new Map(
  ["number", "shape"].flatMap((strandId) =>
    GRADES.map((grade): [string, SkillOfWork] => {
      const id = `${strandId}-${grade}`;
      const difficulty = (grade - 6) * 0.5;
      const pool = [0, 1, 2].flatMap((item) =>
        Array.from(
          { length: 10 },
          (_, seed): PoolItem => ({
            itemId: `${id}/${item}`,
            versionId: `${id}/${item}@1`,
            seed,
            contexts: ["garden"],
            parameters: { a: 1.6, b: difficulty + (item - 1) * 0.6, c: 0 },
          }),
        ),
      );
      return [id, { strandId, grade, difficulty, prerequisites: [], contrasts: [], unlocks: 0, pool }];
    }),
  ),
);

const startOf = (over: Partial<PartSituation> = {}): PartSituation => ({
  ...EMPTY_SITUATION,
  settings: { items: 40, scope: { strandIds: ["number", "shape"], above: 1, below: 4 } },
  skillIds: [...SKILLS.keys()],
  skills: SKILLS,
  parametersOf: ({ skillId, versionId, seed }) => {
    const found = SKILLS.get(skillId)?.pool.find((item) => item.versionId === versionId && item.seed === seed);
    if (!found) throw new Error("not in the pool");
    return found.parameters;
  },
  ...over,
});

type Reaction = "right" | "wrong" | "aside";

/** Works through a run with somebody who reacts to each item; the curve is written here, apart from the application's. */
function work(kind: WorkKind, begun: PartSituation, react: (item: SittingItem) => Reaction, most = 200) {
  const conductor = conductorOf(kind);
  const random = seededRandom("sequential kinds");
  let situation: PartSituation = { ...begun, state: { ...begun.state, ...conductor.begin(begun) } };
  for (let n = 0; n < most && !conductor.end(situation).done; n++) {
    const next = chooseNext(conductor, situation, random);
    if (!next) break;
    const open: SittingItem = {
      id: `i${n}`,
      state: "open",
      tries: 0,
      points: 1,
      earned: null,
      possible: null,
      setAside: false,
      ...next,
    };
    const waiting = { ...situation, items: [...situation.items, open] };
    // Whoever comes back finds the same item: none is chosen while one is open.
    expect(conductor.end(waiting).done).toBe(false);
    const reaction = react(open);
    const done: SittingItem = {
      ...open,
      state: "done",
      tries: 1,
      setAside: reaction === "aside",
      ...(reaction === "aside" ? {} : { earned: reaction === "right" ? 1 : 0, possible: 1 }),
    };
    situation = { ...situation, items: [...situation.items, done] };
  }
  return { situation, end: conductor.end(situation), state: conductor.atEnd(situation) };
}

function learner(theta: number, name: string) {
  const random = seededRandom(name);
  return ({ skillId, itemId }: SittingItem): Reaction => {
    const { difficulty } = SKILLS.get(skillId) as SkillOfWork;
    const b = difficulty + (Number(itemId.split("/")[1]) - 1) * 0.6;
    return random() < 1 / (1 + Math.exp(-1.6 * (theta - b))) ? "right" : "wrong";
  };
}

describe("a diagnostic as work", () => {
  it("places students near where they are, within its own error, strand after strand", () => {
    const errors: number[] = [];
    let covered = 0;
    for (let n = 0; n < 30; n++) {
      const theta = -2 + (n % 10) * 0.35;
      const { end, state } = work("diagnostic", startOf(), learner(theta, `learner ${n}`));
      expect(end).toEqual({ progress: 1, done: true, reason: "placed" });
      expect(state.placed?.map(({ strandId }) => strandId)).toEqual(["number", "shape"]);
      for (const { ability, length } of state.placed ?? []) {
        expect(length).toBeLessThanOrEqual(20);
        errors.push(ability.theta - theta);
        if (Math.abs(ability.theta - theta) <= 1.96 * ability.se) covered++;
      }
    }
    expect(Math.abs(mean(errors))).toBeLessThan(0.2);
    expect(Math.sqrt(mean(errors.map((error) => error ** 2)))).toBeLessThan(0.5);
    expect(covered / errors.length).toBeGreaterThan(0.88);
  });

  it("asks nothing beyond the grades set, no draw twice, and no item again while there are others", () => {
    const { situation } = work("diagnostic", startOf({ grade: 4 }), learner(1, "able"));
    const grades = situation.items.map(({ skillId }) => SKILLS.get(skillId)?.grade ?? 0);
    expect(Math.max(...grades)).toBeLessThanOrEqual(5);
    const draws = situation.items.map(({ itemId, seed }) => `${itemId}#${seed}`);
    expect(new Set(draws).size).toBe(draws.length);
  });

  it("takes what was set aside for neither right nor wrong, goes on a grade lower, and says what was not taught", () => {
    let first = true;
    const { situation, state } = work("diagnostic", startOf(), (item) => {
      if (!first) return learner(-1, "after")(item);
      first = false;
      return "aside";
    });
    const [set, next] = situation.items.map(({ skillId }) => SKILLS.get(skillId)?.grade ?? 0);
    expect(next).toBe((set ?? 0) - 1);
    expect(state.placed?.[0]).toMatchObject({ notYetTaught: { number: 1 } });
    expect(state.placed?.[0]?.ability.n).toBe((state.placed?.[0]?.length ?? 0) - 1);
  });

  it("starts from an earlier placement, and what was met of late does not come back", () => {
    const placed = startOf({ placements: new Map([["number", { theta: -1.5, se: 0.3 }]]) });
    const begun = conductorOf("diagnostic").begin(placed);
    expect(begun.priors?.number).toEqual({ mean: -1.5, sd: 0.5 });
    expect(begun.priors?.shape).toEqual({ mean: -0.25, sd: 1 });
    const number = [...SKILLS].filter(([, { strandId }]) => strandId === "number");
    const met = new Map(
      number.flatMap(([, { pool }]) => pool.map(({ itemId, seed }) => [`${itemId}#${seed}`, 20] as const)),
    );
    const { situation, state } = work("diagnostic", startOf({ metDaysAgo: met }), learner(0, "again"));
    expect(situation.items.every(({ skillId }) => skillId.startsWith("shape"))).toBe(true);
    expect(state.placed?.[0]).toMatchObject({ strandId: "number", ended: "pool", length: 0 });
  });

  it("tells what the answers so far say of a strand as the start of a skill asked next", () => {
    const { situation } = work("diagnostic", startOf(), () => "wrong", 3);
    const now = conductorOf("diagnostic").placements(situation).get("number");
    expect(now?.theta).toBeLessThan(-0.9);
    expect(conductorOf("diagnostic").placements(situation).has("shape")).toBe(false);
  });
});

describe("a short check", () => {
  const begun = startOf({ settings: { items: 10 }, skillIds: ["number-5", "shape-5"] });

  it("asks two to five items of each skill, one skill after the other, and says which is mastered", () => {
    const { situation, end, state } = work("sequential", begun, ({ skillId }) =>
      skillId === "number-5" ? "right" : "wrong",
    );
    expect(end).toMatchObject({ done: true, reason: "decided" });
    expect(state.verdicts).toEqual({ "number-5": "mastered", "shape-5": "not-mastered" });
    const counts = ["number-5", "shape-5"].map((id) => situation.items.filter(({ skillId }) => skillId === id).length);
    for (const count of counts) expect(count).toBeGreaterThanOrEqual(2);
    expect(Math.max(...counts)).toBeLessThanOrEqual(5);
    expect(situation.items.map(({ skillId }) => skillId)).toEqual(
      [...situation.items.map(({ skillId }) => skillId)].sort(),
    );
  });

  it("leaves a skill undecided in which everything was set aside, and marks only what was tried", () => {
    const { situation, state } = work("sequential", begun, ({ skillId }) =>
      skillId === "number-5" ? "aside" : "right",
    );
    expect(state.verdicts).toEqual({ "number-5": "undecided", "shape-5": "mastered" });
    expect(conductorOf("sequential").mark(situation)?.toFraction()).toBe("1");
  });
});

describe("a contrast set", () => {
  it("asks each skill alone and then both mixed, and reports the two apart", () => {
    const begun = startOf({ settings: { items: 12 }, skillIds: ["number-5", "shape-5"] });
    let n = 0;
    const { situation, state } = work("contrast", begun, () => (n++ < 6 ? "right" : n % 2 === 0 ? "right" : "wrong"));
    const skills = situation.items.map(({ skillId }) => skillId.split("-")[0]);
    expect(skills.slice(0, 6)).toEqual(["number", "number", "number", "shape", "shape", "shape"]);
    expect(skills.slice(6)).toEqual(["number", "shape", "number", "shape", "number", "shape"]);
    expect(state.contrast).toEqual({ alone: { right: 6, of: 6 }, mixed: { right: 3, of: 6 } });
  });
});
