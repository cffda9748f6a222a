import { information } from "@/core/measurement/information";
import { probability } from "@/core/measurement/probability";
import { mean } from "@/core/numeric/mean";
import { seededRandom } from "@/core/numeric/seededRandom";
import { answer } from "@/core/selection/diagnostic/answer";
import { DIAGNOSTIC_SETTINGS, type DiagnosticItem } from "@/core/selection/diagnostic/diagnosticState";
import { finish } from "@/core/selection/diagnostic/finish";
import { next } from "@/core/selection/diagnostic/next";
import { notLearned } from "@/core/selection/diagnostic/notLearned";
import { start } from "@/core/selection/diagnostic/start";
import { normal } from "~/demo/learner";
import { BLUEPRINT, syntheticBank } from "./bank";
import { decimals, type Figure, percent } from "./table";

const STUDENTS = 500;
const PRIOR = { mean: 0, sd: 1 };

interface Sitting {
  readonly truth: number;
  readonly theta: number;
  readonly se: number;
  readonly length: number;
  /** Information at the truth of the items given, over that of the best ones under the same rules. */
  readonly informationShare: number;
}

/** How students of a world answer. */
interface Habits {
  /** Chance that an item is set aside when it is not known, and when it is. */
  readonly asideUnknown?: number;
  readonly asideKnown?: number;
  /** Everybody's true ability; drawn from the prior without it. */
  readonly truth?: number;
  readonly students?: number;
  /** How far a student's ability with one passage truly lies from ability as a whole, in logits. */
  readonly passageSpread?: number;
}

/** Sits the diagnostic one student after the other; what earlier ones met counts as exposure. */
export function sitAll(
  bank: readonly DiagnosticItem[],
  blueprint: Readonly<Record<string, number>>,
  { asideUnknown = 0, asideKnown = 0, truth: fixed, students = STUDENTS, passageSpread = 0 }: Habits = {},
) {
  const random = seededRandom("prove diagnostic");
  const met = new Map<string, number>();
  const byId = new Map(bank.map((item) => [item.id, item]));
  const sittings = Array.from({ length: students }, (_, n): Sitting => {
    const truth = fixed ?? normal(random, PRIOR.mean, PRIOR.sd);
    const pool = n === 0 ? bank : bank.map((item) => ({ ...item, exposure: (met.get(item.id) ?? 0) / n }));
    const effects = new Map<string, number>();
    const effectOf = (passageId: string | undefined) => {
      if (passageId === undefined) return 0;
      const effect = effects.get(passageId) ?? normal(random, 0, passageSpread);
      effects.set(passageId, effect);
      return effect;
    };
    let state = start([{ id: "strand", prior: PRIOR, blueprint }]);
    for (;;) {
      const step = next(state, pool, random);
      state = step.state;
      if (step.itemId === null) break;
      const item = byId.get(step.itemId) as DiagnosticItem;
      met.set(item.id, (met.get(item.id) ?? 0) + 1);
      // Known or not first, then set aside or tried: what is not known comes right by guessing only.
      const effect = effectOf(item.passageId);
      const known = random() < probability(truth + effect, { ...item, c: 0 });
      state =
        random() < (known ? asideKnown : asideUnknown)
          ? notLearned(state, item.id)
          : answer(state, item.id, known || random() < item.c);
    }
    const [report] = finish(state).report;
    if (!report) throw new Error("The strand has no report.");
    const got = state.records.reduce((sum, item) => sum + information(truth, item), 0);
    const { theta, se } = report.ability;
    return {
      truth,
      theta,
      se,
      length: report.length,
      informationShare: got / bestInformation(pool, state.records, truth),
    };
  });
  return { sittings, mostExposed: Math.max(...met.values()) / students, used: met.size / bank.length };
}

/** What somebody who knew the truth would have got: in each area as many items, the best ones not overexposed. */
function bestInformation(pool: readonly DiagnosticItem[], records: readonly { area: string }[], truth: number): number {
  return [...new Set(records.map(({ area }) => area))].reduce((sum, area) => {
    const count = records.filter((record) => record.area === area).length;
    const values = pool
      .filter((item) => item.area === area && item.exposure < DIAGNOSTIC_SETTINGS.mostExposure)
      .map((item) => information(truth, item))
      .sort((x, y) => y - x);
    return sum + values.slice(0, count).reduce((total, value) => total + value, 0);
  }, 0);
}

function figuresOf(
  name: string,
  bank: readonly DiagnosticItem[],
  blueprint: Readonly<Record<string, number>>,
): Figure[] {
  const { sittings, mostExposed, used } = sitAll(bank, blueprint);
  const errors = sittings.map(({ theta, truth }) => theta - truth);
  const covered = sittings.filter(({ theta, truth, se }) => Math.abs(theta - truth) <= 1.959964 * se).length;
  return [
    { what: `${name}: bias, logits`, value: decimals(mean(errors)), note: "" },
    {
      what: `${name}: root mean squared error, logits`,
      value: decimals(Math.sqrt(mean(errors.map((error) => error ** 2)))),
      note: "aim 0.32 or less",
    },
    { what: `${name}: coverage of the 95 % interval`, value: percent(covered / STUDENTS), note: "aim 93 to 97 %" },
    {
      what: `${name}: mean length, items`,
      value: decimals(mean(sittings.map(({ length }) => length)), 1),
      note: "at most 20 a strand",
    },
    { what: `${name}: most exposed item`, value: percent(mostExposed), note: "cap 25 %" },
    { what: `${name}: items of the pool used`, value: percent(used), note: `by ${STUDENTS} students` },
    {
      what: `${name}: share of the all-knowing information`,
      value: percent(mean(sittings.map(({ informationShare }) => informationShare))),
      note: "aim 85 %; sharp items lose an eighth to the estimate's own error",
    },
  ];
}

/** The bank in passages of six items of one area, near in difficulty. */
function inPassages(bank: readonly DiagnosticItem[]): DiagnosticItem[] {
  return [...bank]
    .sort((x, y) => x.area.localeCompare(y.area) || x.b - y.b)
    .map((item, place) => ({ ...item, passageId: `passage ${Math.floor(place / 6)}` }));
}

/** Whether the interval holds when all items hang on passages, as far apart as assumed, less and further. */
function passageFigures(): Figure[] {
  const bank = inPassages(syntheticBank(3000));
  return [
    { name: "as assumed", passageSpread: 0.6 },
    { name: "less apart", passageSpread: 0.3 },
    { name: "further apart", passageSpread: 0.9 },
  ].map(({ name, passageSpread }) => {
    const { sittings } = sitAll(bank, BLUEPRINT, { passageSpread });
    const covered = sittings.filter(({ theta, truth, se }) => Math.abs(theta - truth) <= 1.959964 * se).length;
    return {
      what: `Passages, students ${name} (${passageSpread}): coverage of the 95 % interval`,
      value: percent(covered / sittings.length),
      note: `${decimals(mean(sittings.map(({ length }) => length)), 1)} items; half width ${decimals(1.959964 * mean(sittings.map(({ se }) => se)), 2)} logits`,
    };
  });
}

const ASIDE_WORLDS = [
  { name: "Half of the unknown set aside", asideUnknown: 0.5 },
  { name: "Nearly all of the unknown set aside", asideUnknown: 0.95 },
  { name: "A tenth of the known set aside on purpose, half of the unknown", asideUnknown: 0.5, asideKnown: 0.1 },
] as const;

const errorsOf = (sittings: readonly Sitting[]): number[] => sittings.map(({ theta, truth }) => theta - truth);

export function proveDiagnostic(): Figure[] {
  return [
    ...figuresOf("3,000 items", syntheticBank(3000), BLUEPRINT),
    ...[-2.5, 2.5].map((truth) => {
      const errors = errorsOf(sitAll(syntheticBank(3000), BLUEPRINT, { truth, students: 200 }).sittings);
      return {
        what: `Ability ${truth}: bias, logits`,
        value: decimals(mean(errors)),
        note: "pulled towards the prior's middle, as any estimate with a prior",
      };
    }),
    ...passageFigures(),
    ...ASIDE_WORLDS.map(({ name, ...habits }) => {
      const errors = errorsOf(sitAll(syntheticBank(3000), BLUEPRINT, habits).sittings);
      return { what: `${name}: bias, logits`, value: decimals(mean(errors)), note: "aim 0.1 or less either way" };
    }),
  ];
}
