import fc from "fast-check";
import { expect, it } from "vitest";
import { jointGauge } from "@/core/mastery/jointGauge";
import { LEVELS } from "@/core/model/levels";
import { packedMap, unpackedMap } from "@/features/evidence/packedMap";
import type { GaugeView, MapSkill, MasteryMapView } from "@/features/evidence/types";
import { mapColumns, splitAt, standingIn } from "@/features/evidence/view/map/mapColumns";
import { sortedRows } from "@/features/evidence/view/map/sortedRows";

const gauge = (chance: number, over: Partial<GaugeView> = {}): GaugeView => {
  const own = { answered: 8, right: 5, mark: "never" as const, ...over };
  return {
    chance,
    level: "developing",
    tooLittle: false,
    old: false,
    ...own,
    why: { right: own.right, answered: own.answered, ifMastered: 7, ifNot: 3, daysAgo: 2, mark: own.mark },
  };
};
const FEW = gauge(0.3, { tooLittle: true, answered: 1, right: 0 });
const skill = (id: string, learningPlace: number): MapSkill => ({
  id,
  name: id,
  grade: 6,
  statement: `About ${id}`,
  buildsOn: [],
  blocks: [],
  planned: null,
  learningPlace,
  isCurrent: false,
});
const student = (name: string, ...gauges: readonly GaugeView[]) => ({
  id: name.toLowerCase(),
  name,
  className: "6 Test",
  gauges,
});
/** In the plan's order: rates, ratios, angles; learned as ratios, rates, angles. */
const VIEW: MasteryMapView = {
  strand: "Ratios",
  currentSkillId: "rates",
  manyClasses: false,
  misconceptions: [],
  skills: [skill("rates", 5), skill("ratios", 4), skill("angles", 9)],
  groupings: [
    {
      key: "level-1",
      name: "standard",
      groups: [
        { id: "WL 6.R:1", name: "WL 6.R:1", title: "Ratios and rates", places: [0, 1] },
        { id: "WL 6.G1", name: "WL 6.G1", title: "Angles", places: [2] },
      ],
    },
  ],
  students: [
    student("Ada", gauge(0.9), gauge(0.4), FEW),
    student("Ben", gauge(0.6), FEW, gauge(0.2)),
    student("Cy", FEW, FEW, gauge(0.3)),
  ],
};

it("comes back from its numbers as it was, as fine as any screen can show", () => {
  const back = unpackedMap(JSON.parse(JSON.stringify(packedMap(VIEW))));
  expect(back).toEqual(VIEW);
  const number = fc.integer({ min: 0, max: 500 });
  const orNull = fc.option(number, { nil: null });
  const any = fc.record({
    chance: fc.double({ min: 0, max: 1, noNaN: true }),
    level: fc.constantFrom(...LEVELS),
    tooLittle: fc.boolean(),
    old: fc.boolean(),
    mark: fc.constantFrom("never" as const, "now" as const, "faded" as const, "lost" as const),
    answered: number,
    right: number,
    why: fc.record({ ifMastered: orNull, ifNot: orNull, daysAgo: orNull }),
  });
  fc.assert(
    fc.property(fc.array(any, { maxLength: 6 }), (some) => {
      const gauges = some.map(
        (one): GaugeView => ({
          ...one,
          why: { ...one.why, right: one.right, answered: one.answered, mark: one.mark },
        }),
      );
      const view = { ...VIEW, students: [student("Dee", ...gauges)] };
      const own = unpackedMap(packedMap(view)).students[0]?.gauges ?? [];
      expect(own).toHaveLength(gauges.length);
      for (const [place, one] of own.entries()) {
        expect(Math.abs(one.chance - (gauges[place]?.chance ?? 9))).toBeLessThanOrEqual(0.00005);
        expect({ ...one, chance: 0 }).toEqual({ ...gauges[place], chance: 0 });
      }
    }),
  );
  // 40 students by 150 skills travel in less than 200 kB.
  const wide = Array.from({ length: 40 }, (_, n) => student(`S${n}`, ...Array<GaugeView>(150).fill(gauge(0.61237))));
  expect(JSON.stringify(packedMap({ ...VIEW, students: wide }).students).length).toBeLessThan(200_000);
});

it("stands in the plan's order, as skills build on one another, or with the least mastered first", () => {
  const ids = (order: "plan" | "learning" | "need", by = "skills", within = "") =>
    mapColumns(VIEW, { by, within, order }).map(({ id }) => id);
  expect(ids("plan")).toEqual(["rates", "ratios", "angles"]);
  expect(ids("learning")).toEqual(["ratios", "rates", "angles"]);
  // Means of what is known: rates 0.75, ratios 0.4, angles 0.25.
  expect(ids("need")).toEqual(["angles", "ratios", "rates"]);
  expect(ids("need", "level-1")).toEqual(["WL 6.G1", "WL 6.R:1"]);
  expect(ids("plan", "skills", "level-1:WL 6.R:1")).toEqual(["rates", "ratios"]);
  // What is not there leaves everything in sight.
  expect(ids("plan", "nothing", "level-9:x")).toEqual(["rates", "ratios", "angles"]);
});

it("reads several skills as one by the mean of what is known, and says how uneven it is", () => {
  const [ratios, angles] = mapColumns(VIEW, { by: "level-1", within: "", order: "plan" });
  if (!ratios || !angles) throw new Error("no columns");
  const [ada, ben, cy] = VIEW.students.map((one) => standingIn(one, ratios));
  expect(ada).toMatchObject({ chance: 0.65, level: "developing", skills: 2, known: 2, secure: 1, tooLittle: false });
  expect(ben).toMatchObject({ chance: 0.6, known: 1, secure: 0 });
  expect(cy).toMatchObject({ tooLittle: true, known: 0 });
  expect(jointGauge([])).toMatchObject({ tooLittle: true, chance: 0, skills: 0 });
});

it("orders students by need with the unknown last, and keeps those whom the words mean", () => {
  const names = (over: Partial<Parameters<typeof sortedRows>[2]>) =>
    sortedRows(
      VIEW.students,
      { gaugeOf: ({ gauges }) => gauges[2], changeOf: ({ name }) => (name === "Ben" ? -0.1 : null) },
      { sort: "need", who: "all", find: "", ...over },
    ).map(({ name }) => name);
  expect(names({})).toEqual(["Ben", "Cy", "Ada"]);
  expect(names({ sort: "name" })).toEqual(["Ada", "Ben", "Cy"]);
  expect(names({ sort: "change" })).toEqual(["Ben", "Ada", "Cy"]);
  expect(names({ who: "too-little" })).toEqual(["Ada"]);
  expect(names({ who: "developing", find: "c" })).toEqual(["Cy"]);
});

it("splits an address at its first sign only", () => {
  expect(splitAt("level-1:WL 6.R:1")).toEqual(["level-1", "WL 6.R:1"]);
  expect(splitAt("student.WL 6.R1", ".")).toEqual(["student", "WL 6.R1"]);
  expect(splitAt("")).toEqual(["", ""]);
});
