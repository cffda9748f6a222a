import { describe, expect, it } from "vitest";
import { buildForms, type FormsResult } from "@/core/assembly/buildForms";
import type { AssemblyItem, FormProblem } from "@/core/assembly/formProblem";
import { formsGreedily } from "@/core/assembly/formsGreedily";
import { meetsAll } from "@/core/assembly/meetsAll";
import { predictForm } from "@/core/assembly/predictForm";
import { information } from "@/core/measurement/information";
import { probability } from "@/core/measurement/probability";
import type { SolveLinearModel } from "@/core/model/linearModel";
import { sampleVariance } from "@/core/numeric/sampleVariance";
import { seededRandom } from "@/core/numeric/seededRandom";
import { solveWithHighs } from "@/server/runtime/solver";
import { normal } from "~/demo/learner";

/** A seeded bank: standards s0 to s3 in turn, depth 1 to 3, every fourth a choice item. */
function bank(size: number, seed: string): AssemblyItem[] {
  const random = seededRandom(seed);
  return Array.from({ length: size }, (_, n) => ({
    id: `i${n}`,
    standardId: `s${n % 4}`,
    depth: 1 + (n % 3),
    kind: n % 4 === 0 ? "choice" : "number",
    passageId: null,
    enemyIds: [],
    a: 0.8 + random(),
    b: normal(random, 0, 1),
    c: n % 4 === 0 ? 0.2 : 0,
  }));
}
const problem = (over: Partial<FormProblem> = {}): FormProblem => ({
  items: bank(60, "forms"),
  forms: 1,
  length: 10,
  counts: [],
  cut: 0,
  ...over,
});
const build = (over: Partial<FormProblem> = {}, solve: SolveLinearModel = solveWithHighs) =>
  buildForms(problem(over), solve, 5);
function built(result: FormsResult) {
  if (result.status !== "built") throw new Error(JSON.stringify(result));
  return result;
}
const itemsOf = (form: { itemIds: readonly string[] }, items = problem().items) =>
  form.itemIds.map((id) => items.find((item) => item.id === id) as AssemblyItem);
const lowestOf = (items: readonly AssemblyItem[], cut = 0) =>
  Math.min(...[-1, 0, 1].map((point) => items.reduce((sum, item) => sum + information(cut + point, item), 0)));

function* combinations<T>(members: readonly T[], size: number): Generator<T[]> {
  if (size === 0) yield [];
  else
    for (let place = 0; place <= members.length - size; place++)
      for (const rest of combinations(members.slice(place + 1), size - 1)) yield [members[place] as T, ...rest];
}

describe("buildForms", () => {
  it("equals brute force within its 2 % on twenty small banks", async () => {
    for (let n = 0; n < 20; n++) {
      const items = bank(12, `small ${n}`);
      const counts = [
        { standardId: "s1", least: 2 },
        { kind: "choice", most: 1 },
      ];
      const wanted = { items, length: 4, counts, forms: 1, cut: 0.3 };
      let best = 0;
      for (const form of combinations(items, 4)) if (meetsAll(form, wanted)) best = Math.max(best, lowestOf(form, 0.3));
      const { forms, quality } = built(await buildForms(wanted, solveWithHighs, 5));
      expect(quality).toBe("best");
      const own = lowestOf(itemsOf(forms[0] ?? { itemIds: [] }, items), 0.3);
      expect(own).toBeGreaterThanOrEqual(best * 0.98 - 1e-4);
      expect(own).toBeLessThanOrEqual(best + 1e-9);
    }
  });

  it("keeps counts, locked-in and left-out items, and reports the information it has", async () => {
    const counts = [
      { standardId: "s1", least: 4, most: 4 },
      { depth: 3, least: 5 },
      { kind: "choice", most: 0 },
    ];
    const { forms } = built(await build({ counts, lockedIn: ["i1", "i2"], leftOut: ["i5", "i9"] }));
    const form = itemsOf(forms[0] ?? { itemIds: [] });
    expect(form).toHaveLength(10);
    expect(form.filter(({ standardId }) => standardId === "s1")).toHaveLength(4);
    expect(form.filter(({ depth }) => depth === 3).length).toBeGreaterThanOrEqual(5);
    expect(form.every(({ kind }) => kind === "number")).toBe(true);
    expect(forms[0]?.itemIds).toEqual(expect.arrayContaining(["i1", "i2"]));
    expect(forms[0]?.itemIds).not.toContain("i5");
    forms[0]?.information.forEach((value, place) => {
      expect(value).toBeCloseTo(
        form.reduce((sum, item) => sum + information(place - 1, item), 0),
        9,
      );
    });
  });

  it("makes parallel forms: nothing in common but the anchor, information within 10 %", async () => {
    const items = bank(80, "parallel");
    const { forms, difference } = built(
      await build({ items, forms: 3, anchor: ["i3", "i6"], counts: [{ standardId: "s2", least: 2 }] }),
    );
    expect(difference).toBeLessThanOrEqual(0.1);
    const shares = [0, 1, 2].map((point) => {
      const heights = forms.map(({ information: curve }) => curve[point] ?? 0);
      return (Math.max(...heights) - Math.min(...heights)) / Math.min(...heights);
    });
    expect(difference).toBeCloseTo(Math.max(...shares), 9);
    const uses = new Map<string, number>();
    for (const id of forms.flatMap(({ itemIds }) => itemIds)) uses.set(id, (uses.get(id) ?? 0) + 1);
    expect([...uses].filter(([, times]) => times > 1)).toEqual([
      ["i3", 3],
      ["i6", 3],
    ]);
    for (const form of forms)
      expect(itemsOf(form, items).filter(({ standardId }) => standardId === "s2").length).toBeGreaterThanOrEqual(2);
  });

  it("never puts enemies together and takes passages in whole sets, in one form", async () => {
    const items = bank(40, "sets").map((item, n) => ({
      ...item,
      enemyIds: n % 2 === 0 ? [`i${n + 1}`] : [],
      passageId: n < 12 ? `p${n % 3}` : null,
      a: n < 12 ? 2.5 : item.a,
      b: n < 12 ? 0 : item.b,
    }));
    const { forms } = built(await build({ items, forms: 2, length: 8, perPassage: { least: 3, most: 3 } }));
    const passagesOf = forms.map((form) => itemsOf(form, items).flatMap(({ passageId }) => passageId ?? []));
    for (const own of passagesOf) for (const id of own) expect(own.filter((other) => other === id)).toHaveLength(3);
    expect(passagesOf[0]?.some((id) => passagesOf[1]?.includes(id))).toBe(false);
    expect(passagesOf.flat().length).toBeGreaterThan(0);
    for (const form of forms)
      for (const item of itemsOf(form, items)) expect(form.itemIds).not.toContain(item.enemyIds[0]);
  });

  it("matches the expected scores of parallel forms within 2 points in 100 at the cut and a logit to each side", async () => {
    const result = built(await build({ items: bank(120, "scores"), forms: 3, length: 12 }));
    const scores = result.forms.map((form) =>
      [-1, 0, 1].map((theta) =>
        itemsOf(form, bank(120, "scores")).reduce((sum, item) => sum + probability(theta, item), 0),
      ),
    );
    for (const point of [0, 1, 2]) {
      const at = scores.map((one) => one[point] ?? 0);
      expect(Math.max(...at) - Math.min(...at)).toBeLessThanOrEqual(0.02 * 12);
    }
    expect(result.scoreDifference).toBeLessThanOrEqual(0.02);
  });

  it("puts an anchor that asks about a passage into every form, as the set that it is", async () => {
    const items = bank(60, "anchored").map((item, n) => ({
      ...item,
      passageId: n < 3 ? "anchored" : n < 12 ? `p${n % 3}` : null,
    }));
    const anchor = ["i0", "i1", "i2"];
    const result = built(await build({ items, forms: 2, anchor }));
    for (const form of result.forms) {
      expect(form.itemIds).toEqual(expect.arrayContaining(anchor));
      expect(meetsAll(itemsOf(form, items), problem({ items, forms: 2, anchor }))).toBe(true);
    }
  });

  it("gives unlike forms with passages, and says how unlike, where alike ones cannot be had", async () => {
    // Two passages, one plainly harder: whichever form has it lies lower.
    const items = bank(8, "unlike").map((item, n) => ({
      ...item,
      a: 1.5,
      c: 0,
      b: n < 4 ? -1.5 : 1.5,
      passageId: n < 4 ? "easy" : "hard",
    }));
    const result = built(await build({ items, forms: 2, length: 4 }));
    expect(result.scoreDifference).toBeGreaterThan(0.3);
    expect(result.forms.map(({ itemIds }) => itemIds.length)).toEqual([4, 4]);
  });

  it("explains which wish cannot be met and the nearest that can", async () => {
    // Fifteen items of s1, of which the form has ten places.
    expect(await build({ counts: [{ standardId: "s1", least: 12 }] })).toEqual({
      status: "impossible",
      conflicts: [
        {
          wish: { kind: "count", wish: { standardId: "s1", least: 12 }, bound: "least", wanted: 12 },
          form: 0,
          nearest: 10,
        },
      ],
    });
    const apart = bank(60, "forms").map((item) => (item.id === "i1" ? { ...item, enemyIds: ["i2"] } : item));
    const result = await build({ items: apart, lockedIn: ["i1", "i2"] });
    expect(result).toMatchObject({ status: "impossible", conflicts: [{ wish: { kind: "locked-in" }, nearest: 0 }] });
    expect(await build({ items: bank(6, "few") })).toMatchObject({
      conflicts: [{ wish: { kind: "length", wanted: 10 }, nearest: 6 }],
    });
    // A count gives way before an item that was locked in.
    expect(await build({ lockedIn: ["i4"], counts: [{ standardId: "s0", most: 0 }] })).toEqual({
      status: "impossible",
      conflicts: [
        { wish: { kind: "count", wish: { standardId: "s0", most: 0 }, bound: "most", wanted: 0 }, form: 0, nearest: 1 },
      ],
    });
    const anchors = bank(60, "forms").map((item) => (item.id === "i1" ? { ...item, enemyIds: ["i2"] } : item));
    expect(await build({ items: anchors, anchor: ["i1", "i2"] })).toEqual({ status: "impossible", conflicts: [] });
  });

  it("gives a greedy answer, and says so, when the solver has none in time", async () => {
    const idle: SolveLinearModel = async () => ({ status: "time-limit", chosen: new Set(), values: new Map() });
    const counts = [
      { standardId: "s1", least: 4 },
      { kind: "choice", most: 2 },
    ];
    const greedy = built(await build({ counts, forms: 2 }, idle));
    expect(greedy.quality).toBe("greedy");
    const best = built(await build({ counts, forms: 2 }));
    const worst = (result: typeof best) => Math.min(...result.forms.flatMap((form) => form.information));
    expect(worst(greedy)).toBeGreaterThan(0.8 * worst(best));
    expect(await build({ counts: [{ standardId: "s1", least: 12 }] }, idle)).toEqual({ status: "not-found" });
  });

  it("greedy forms keep every wish on a hundred random problems, or say there is none", () => {
    let found = 0;
    for (let n = 0; n < 100; n++) {
      const random = seededRandom(`greedy ${n}`);
      const counts = [
        { standardId: "s0", least: Math.floor(random() * 4) },
        { standardId: "s1", most: 2 + Math.floor(random() * 3) },
        { depth: 2, least: Math.floor(random() * 6), most: 7 },
      ];
      const wanted = problem({ items: bank(40, `bank ${n}`), counts, forms: 2, lockedIn: ["i7"] });
      const forms = formsGreedily(wanted);
      if (!forms) continue;
      found++;
      for (const form of forms) expect(meetsAll(form, wanted)).toBe(true);
      expect(new Set(forms.flat().map(({ id }) => id)).size).toBe(20);
      expect(forms.flat().some(({ id }) => id === "i7")).toBe(true);
    }
    expect(found).toBeGreaterThan(80);
  });

  it("greedily leaves out what was left out, and items that would need a whole set", () => {
    const items = bank(30, "greedy sets").map((item, n) => (n < 5 ? { ...item, passageId: "p", a: 3, b: 0 } : item));
    const [form] = formsGreedily(problem({ items, leftOut: ["i6", "i7"] })) ?? [];
    expect(form).toHaveLength(10);
    expect(form?.some(({ id, passageId }) => passageId !== null || id === "i6" || id === "i7")).toBe(false);
  });

  it.each([
    [{ length: 0 }, /at least one form/],
    [{ cut: Number.NaN }, /a cut/],
    [{ counts: [{ least: 3, most: 2 }] }, /at most not under/],
    [{ lockedIn: ["nobody"] }, /no item nobody/],
    [{ lockedIn: ["i1"], leftOut: ["i1"] }, /locked in and left out/],
    [{ lockedIn: ["i1"], anchor: ["i1"] }, /for one form and for all/],
  ] as const)("refuses %j", async (over, message) => {
    await expect(build(over)).rejects.toThrow(message);
  });
});

describe("predictForm", () => {
  it("agrees with two thousand simulated students", () => {
    const items = bank(30, "predict");
    const random = seededRandom("predict students");
    const halves = Array.from({ length: 2000 }, () => {
      const theta = normal(random, 0.4, 0.9);
      const sit = () => items.filter((item) => random() < probability(theta, item)).length;
      return [sit(), sit()] as const;
    });
    const prediction = predictForm(items, { mean: 0.4, sd: 0.9 }, 0);
    if ("noEstimate" in prediction) throw new Error("prediction wanted");
    const first = halves.map(([one]) => one);
    const mean = first.reduce((sum, score) => sum + score, 0) / 2000;
    expect(prediction.mean).toBeCloseTo(mean, 0);
    expect(prediction.sd / Math.sqrt(sampleVariance(first))).toBeCloseTo(1, 1);
    // The same test sat twice correlates as its reliability.
    const sums = sampleVariance(halves.map(([one, two]) => one + two));
    const retest =
      (sums - sampleVariance(first) - sampleVariance(halves.map(([, two]) => two))) / 2 / sampleVariance(first);
    expect(Math.abs(prediction.reliability - retest)).toBeLessThan(0.03);
    expect(prediction.seAtCut).toBeCloseTo(
      1 / Math.sqrt(items.reduce((sum, item) => sum + information(0, item), 0)),
      12,
    );
  });

  it("says that nothing can be said of no items", () => {
    expect(predictForm([], { mean: 0, sd: 1 }, 0)).toEqual({ noEstimate: "no-items" });
    expect(() => predictForm([], { mean: 0, sd: 0 }, 0)).toThrow(/sd > 0/);
  });
});
