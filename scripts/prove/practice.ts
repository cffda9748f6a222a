import { MASTERY_RULE, masteryRule } from "@/core/mastery/masteryReached";
import { CERTAINTIES } from "@/core/model/work";
import { median } from "@/core/numeric/median";
import { falseRate, missRate, type Practised, practiseIn, shippedSkills, wrongOfDeclared } from "./practiseIn";
import { areaUnderCurve, calibrationError } from "./predictions";
import { decimals, type Figure, percent, withError } from "./table";
import { WORLDS } from "./worlds";
import { asBelieved } from "./worlds/asBelieved";
import { easierItems } from "./worlds/easierItems";
import { noLearning } from "./worlds/noLearning";
import { standing } from "./worlds/standing";
import type { World } from "./worlds/world";

const SKILL = "equivalent-ratios";
const STUDENTS = 1500;
const SHORT = 20;
const LONG = 100;
const LONG_STUDENTS = 600;
/** Other skills, of other grades, in a world that is harder on the decision. */
const OTHER_SKILLS = ["times-as-many", "unit-rates", "constant-of-proportionality"];
/** Where classes stand in the mean, in logits from the boundary: what share has the skill. */
const STANDINGS = [-1.5, -0.5, 0.5, 1.5] as const;
/** Ends of the bands of distance from the boundary, in logits. */
const BANDS = [-1, -0.5, -0.25, 0, 0.25, 0.5, 1, 1.5] as const;

const short = (world: World, skillId = SKILL, chance: number = MASTERY_RULE.chance) =>
  practiseIn(world, { skillId, students: STUDENTS, answers: SHORT, rule: { ...MASTERY_RULE, chance }, seed: "prove" });

/** The decision in every world: who is declared without the skill, and who is not with it. */
export function provePractice(): Figure[] {
  return WORLDS.flatMap((world) => {
    const { students } = short(world);
    const long = practiseIn(world, { skillId: SKILL, students: LONG_STUDENTS, answers: LONG, seed: "prove long" });
    const lengths = students.flatMap(({ declaredAfter }) => declaredAfter ?? []);
    return [
      {
        what: `${world.name}: false in ${SHORT} items`,
        value: withError(falseRate(students)),
        note: `of those without the skill; aim 10 % or less; ${percent(wrongOfDeclared(students))} of the declared; ${world.note}`,
      },
      {
        what: `${world.name}: false in ${LONG} items`,
        value: withError(falseRate(long.students)),
        note: "aim 15 % or less",
      },
      {
        what: `${world.name}: missed in ${SHORT} items`,
        value: percent(missRate(students).rate),
        note: `of those with the skill; ${percent(missRate(students, 1).rate)} of those a logit above; ${percent(missRate(long.students).rate)} in ${LONG} items`,
      },
      {
        what: `${world.name}: items to mastery, median`,
        value: lengths.length > 0 ? String(median(lengths)) : "none",
        note: `of the ${lengths.length} of ${STUDENTS} declared within ${SHORT}`,
      },
    ];
  });
}

/** How the decision depends on where a student stands, on the skill, and on what the teacher chose. */
export function proveMasteryChoices(): Figure[] {
  const { students } = short(noLearning);
  const bands = [...BANDS, Number.POSITIVE_INFINITY].map((to, place) => ({ from: BANDS[place - 1] ?? -Infinity, to }));
  return [
    ...bands.map(({ from, to }) => {
      const own = students.filter(({ start }) => start >= from && start < to);
      const declared = own.filter(({ declaredAfter }) => declaredAfter !== null).length;
      return {
        what: `Declared, ${bandWords(from, to)}`,
        value: percent(declared / Math.max(1, own.length)),
        note: `of ${own.length}; logits from the boundary, no learning`,
      };
    }),
    ...STANDINGS.map((mean) => ratesOf(`Class standing at ${mean}`, short(standing(mean)).students)),
    ...shippedSkills().map(({ id, grade }) => ratesOf(`${id}, grade ${grade}`, short(noLearning, id).students)),
    ...OTHER_SKILLS.map((id) => ratesOf(`${id}, ${easierItems.name}`, short(easierItems, id).students)),
    ...CERTAINTIES.map((choice) => ({ choice, chance: masteryRule(choice).chance })).map(({ choice, chance }) => {
      const plain = short(noLearning, SKILL, chance).students;
      return {
        what: `Teacher chooses ${choice} (${chance}): false`,
        value: withError(falseRate(plain)),
        note: choiceNote(plain, short(easierItems, SKILL, chance).students),
      };
    }),
  ];
}

function ratesOf(name: string, students: readonly Practised[]): Figure {
  const has = students.filter(({ start }) => start >= 0).length / students.length;
  return {
    what: `${name}: false`,
    value: withError(falseRate(students)),
    note: `missed ${percent(missRate(students).rate)}; ${percent(has)} have the skill; ${percent(wrongOfDeclared(students))} of the declared have it not`,
  };
}

function bandWords(from: number, to: number): string {
  if (from === Number.NEGATIVE_INFINITY) return `under ${to}`;
  return to === Number.POSITIVE_INFINITY ? `over ${from}` : `${from} to ${to}`;
}

function choiceNote(plain: readonly Practised[], easier: readonly Practised[]): string {
  const lengths = plain.flatMap(({ declaredAfter }) => declaredAfter ?? []);
  return `missed ${percent(missRate(plain).rate)}, median ${median(lengths)} items; items easier than thought: ${percent(falseRate(easier).rate)}`;
}

/** How well answers are predicted, against a running share of the own answers and the truth. */
export function provePredictions(): Figure[] {
  return [asBelieved, noLearning, easierItems].flatMap((world) => {
    // Nobody is declared, so that everybody's 20 answers are predicted.
    const { predictions } = practiseIn(world, {
      skillId: SKILL,
      students: STUDENTS,
      answers: SHORT,
      rule: { ...MASTERY_RULE, chance: 0.9999 },
      seed: "prove predictions",
    });
    return [
      {
        what: `${world.name}: answers ranked, AUC`,
        value: decimals(areaUnderCurve(predictions.own)),
        note: `running share ${decimals(areaUnderCurve(predictions.share))}, oracle ${decimals(areaUnderCurve(predictions.oracle))}`,
      },
      {
        what: `${world.name}: calibration error`,
        value: percent(calibrationError(predictions.own)),
        note: `running share ${percent(calibrationError(predictions.share))}; 0 is perfect`,
      },
    ];
  });
}
