import { chanceByCheck } from "@/core/grouping/chanceByCheck";
import { similarStudents } from "@/core/grouping/comparedChange";
import { reteachOutcome } from "@/core/grouping/reteachOutcome";
import { reteachWorked } from "@/core/grouping/reteachWorked";
import { chanceOfMastery } from "@/core/mastery/chanceOfMastery";
import { priorBelief } from "@/core/mastery/priorBelief";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { mean } from "@/core/numeric/mean";
import { seededRandom } from "@/core/numeric/seededRandom";
import { type Figure, percent, withError } from "./table";
import { type Between, classOf, NOTHING_WORKS, type Pupil, SOMETHING_WORKS } from "./worlds/reteaching";
import type { WorldItem } from "./worlds/world";

const GRADE = 6;
const DIFFICULTY = -0.4;
const CLASS = 26;
const GROUP = 5;
const EARLY = 5;
const PRACTICE = 10;
const CHECK = 5;

interface Judged {
  readonly worked: boolean;
  readonly noFurther: boolean;
  readonly compared: boolean;
  /** What a look at the group alone would say: the mean chance rose by 0.15 or more. */
  readonly alone: boolean;
  /** Verdicts on single students with the truth beside them. */
  readonly learned: readonly { readonly said: boolean; readonly hasIt: boolean }[];
}

/** One class: early answers, the five who stand lowest are taught, practise and are checked, and so are those like them. */
export function oneClass(seed: string, between: Between): Judged {
  const random = seededRandom(seed);
  const next = classOf(random, DIFFICULTY, between);
  let drawn = 0;
  const item = (): WorldItem => ({
    itemId: `i${drawn % 4}`,
    seed: drawn++,
    parameters: { a: 1 + 0.6 * random(), b: DIFFICULTY + 0.6 * (random() - 0.5), c: drawn % 3 === 0 ? 0.25 : 0.02 },
  });
  const prior = priorBelief(GRADE, DIFFICULTY);
  const take = (state: SkillState | null, answered: (item: WorldItem) => boolean, day: number) => {
    const shown = item();
    const share = answered(shown) ? 1 : 0;
    const answer = { share, tryNumber: 1, hintsUsed: 0, itemId: shown.itemId, item: shown.parameters, day };
    return { state: updateSkillState(state, prior, answer, DIFFICULTY), share, parameters: shown.parameters };
  };
  const students = Array.from({ length: CLASS }, () => {
    const pupil: Pupil = next();
    let state: SkillState | null = null;
    for (let n = 0; n < EARLY; n++) ({ state } = take(state, pupil.early, 0));
    const belief = state ?? prior;
    return { pupil, state, belief, chance: chanceOfMastery(belief) };
  }).sort((x, y) => x.chance - y.chance);
  const [group, others] = [students.slice(0, GROUP), students.slice(GROUP)];
  const similar = similarStudents(group, others);
  const check = (student: (typeof students)[number], taught: boolean) => {
    student.pupil.goOn(taught);
    let { state } = student;
    if (taught) for (let n = 0; n < PRACTICE; n++) ({ state } = take(state, student.pupil.later, 1));
    const answers = Array.from({ length: CHECK }, () => {
      const taken = take(state, student.pupil.later, 2);
      ({ state } = taken);
      return { share: taken.share, item: taken.parameters };
    });
    const right = answers.reduce((sum, { share }) => sum + share, 0);
    return {
      before: student.chance,
      after: chanceByCheck(student.belief, answers, DIFFICULTY),
      share: right / CHECK,
      right,
      now: state ? chanceOfMastery(state) : 0,
      hasIt: student.pupil.hasIt(),
    };
  };
  const members = group.map((student) => check(student, true));
  const { verdict } = reteachWorked(
    members,
    similar.map((student) => check(student, false)),
  );
  return {
    worked: verdict === "worked",
    noFurther: verdict === "no-further",
    compared: verdict !== "no-comparison",
    alone: mean(members.map(({ now, before }) => now - before)) >= 0.15,
    learned: members.map(({ before, now, right, hasIt }) => ({
      said:
        reteachOutcome({ chanceBefore: before, chanceNow: now, check: { right, answered: CHECK, of: CHECK } }) ===
        "learned",
      hasIt,
    })),
  };
}

const CLASSES = 400;

/** Outcomes of reteaches against what was true: where nothing works, nobody should hear that it did. */
export function proveReteach(): Figure[] {
  const judged = (between: Between) =>
    Array.from({ length: CLASSES }, (_, n) => oneClass(`reteach ${between.name} ${n}`, between));
  const share = (all: readonly Judged[], of: (one: Judged) => boolean) => ({
    rate: all.filter(of).length / all.length,
    of: all.length,
  });
  const line = (between: Between, aim: string): Figure[] => {
    const all = judged(between);
    const compared = all.filter((one) => one.compared);
    const without = all.flatMap(({ learned }) => learned).filter(({ hasIt }) => !hasIt);
    return [
      {
        what: `“It worked”, reteach ${between.name}`,
        value: withError(share(compared, ({ worked }) => worked)),
        note: `${aim}${between.note ? `; ${between.note}` : ""}; by the group alone ${percent(share(all, ({ alone }) => alone).rate)}; no further ${percent(share(compared, ({ noFurther }) => noFurther).rate)}; not comparable ${percent(1 - compared.length / all.length)}`,
      },
      {
        what: `“Has learned it” of those who have it not, ${between.name}`,
        value: withError({
          rate: without.filter(({ said }) => said).length / Math.max(1, without.length),
          of: without.length,
        }),
        note: "of the students without the skill at the check",
      },
    ];
  };
  return [
    ...NOTHING_WORKS.flatMap((between) => line(between, "aim under 10 %")),
    ...SOMETHING_WORKS.flatMap((between) => line(between, "the more the better")),
  ];
}
