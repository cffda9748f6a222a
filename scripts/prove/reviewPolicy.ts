import { mean } from "@/core/numeric/mean";
import { seededRandom } from "@/core/numeric/seededRandom";
import { compareForecasts } from "@/core/review/compareForecasts";
import { ownPace } from "@/core/review/ownPace";
import type { PastReview } from "@/core/review/pastReviews";
import { reviewMemory } from "@/core/review/reviewMemory";
import { reviewQueue } from "@/core/review/reviewQueue";
import type { ReviewSkill } from "@/core/review/reviewSkill";
import { decimals, type Figure, percent } from "./table";
import { type Keeper, keeper } from "./worlds/fading";

/** A class, what each student learns, one skill every other day, and the items of practice with which a skill is mastered. */
const STUDENTS = 24;
const CLASSES = 5;
/** Skills of a school year, and of the shorter time after which a forecast is made. */
const SKILLS = 80;
const FORECAST_SKILLS = 30;
const DAYS_BETWEEN = 2;
const ITEMS_TO_MASTER = 12;
const MINUTES = 3;
const WEEKS = 28;
const FORECAST_WEEKS = 8;
const CHOSEN = 8;

const isTaught = (day: number) => day % 7 < 5;
const ids = Array.from({ length: SKILLS }, (_, n) => `k${n}`);

interface Student {
  readonly keeper: Keeper;
  readonly skills: Map<string, ReviewSkill>;
  readonly reviews: PastReview[];
  /** Where a fixed rotation stands. */
  place: number;
  /** Items that it may still ask, and those that a day adds. */
  credit: number;
  rate: number;
  asked: number;
}

/** "as-modelled": the queue without the student's own pace; "as-many": the rotation with no more items than the queue took. */
type Way = "queue" | "as-modelled" | "rotation" | "as-many" | "none";

function student(random: () => number, rate = 0): Student {
  return { keeper: keeper(random), skills: new Map(), reviews: [], place: 0, credit: 0, rate, asked: 0 };
}

const copyOf = (one: Student): Student => ({
  ...one,
  keeper: one.keeper.copy(),
  skills: new Map(one.skills),
  reviews: [...one.reviews],
});

/** The school day: something new every other day, then the day's review, in the way told. */
function live(
  one: Student,
  day: number,
  way: Way,
  random: () => number,
  { skills, left }: { readonly skills: number; readonly left?: ReadonlySet<string> },
): void {
  const fresh = day % DAYS_BETWEEN === 0 ? ids[day / DAYS_BETWEEN] : undefined;
  if (fresh && day < skills * DAYS_BETWEEN) {
    one.keeper.practise(fresh, day, ITEMS_TO_MASTER);
    const memory = reviewMemory.first(3);
    one.skills.set(fresh, { skillId: fresh, strandId: "s", memory, lastDay: day, minutes: 1 });
  }
  if (way === "none" || !isTaught(day)) return;
  const open = [...one.skills.values()].filter(({ skillId }) => left?.has(skillId) !== true);
  const today = asks(one, open, day, way);
  for (const skillId of today) {
    const skill = one.skills.get(skillId) as ReviewSkill;
    const elapsed = day - skill.lastDay;
    if (elapsed <= 0) continue;
    const right = random() < one.keeper.recall(skillId, day);
    one.asked++;
    one.reviews.push({ skillId, stabilityDays: skill.memory.stabilityDays, elapsedDays: elapsed, right });
    // What was missed is shown and asked once more.
    one.keeper.practise(skillId, day, right ? 1 : 2);
    one.skills.set(skillId, {
      ...skill,
      memory: reviewMemory.next(skill.memory, elapsed, right ? 3 : 1),
      lastDay: day,
    });
  }
}

const atPace = (skills: readonly ReviewSkill[], pace: number): ReviewSkill[] =>
  skills.map((skill) => ({
    ...skill,
    memory: { ...skill.memory, stabilityDays: skill.memory.stabilityDays * pace },
  }));

/** The skills that a way of review asks on a day. */
function asks(one: Student, open: readonly ReviewSkill[], day: number, way: Way): readonly string[] {
  if (way === "queue" || way === "as-modelled") {
    const pace = way === "queue" ? ownPace(one.reviews) : 1;
    return reviewQueue(atPace(open, pace), { day, minutes: MINUTES }).skillIds;
  }
  one.credit += way === "rotation" ? MINUTES : one.rate;
  const count = Math.min(Math.floor(one.credit), open.length);
  one.credit -= count;
  return Array.from({ length: count }, () => open[one.place++ % open.length]?.skillId ?? "");
}

const truly = (one: Student, day: number, over: readonly string[] = ids) =>
  mean(over.map((skillId) => one.keeper.recall(skillId, day)));

const STUDENTS_OF_WAYS = STUDENTS;

/** Twelve weeks of learning, then what is left of it, in one way of review. */
export function follow(way: Way, rate = 0, students = STUDENTS_OF_WAYS) {
  const outcomes = Array.from({ length: students }, (_, n) => {
    const random = seededRandom(`review ways ${n}`);
    const one = student(random, rate);
    for (let day = 0; day < WEEKS * 7; day++) live(one, day, way, random, { skills: SKILLS });
    const faint = ids.filter((skillId) => one.keeper.recall(skillId, WEEKS * 7) < 0.7).length;
    const right = one.reviews.filter((review) => review.right).length;
    const told = (pace: number) =>
      mean(
        [...one.skills.values()].map(({ memory, lastDay }) =>
          reviewMemory.recall(memory.stabilityDays * pace, WEEKS * 7 - lastDay),
        ),
      );
    const end = truly(one, WEEKS * 7);
    return { end, asked: one.asked, faint, right, told: told(1), paced: told(ownPace(one.reviews)) };
  });
  const of = (value: (one: (typeof outcomes)[number]) => number) => mean(outcomes.map(value));
  return {
    end: of(({ end }) => end),
    asked: of(({ asked }) => asked),
    faint: of(({ faint }) => faint),
    told: of(({ told }) => told),
    paced: of(({ paced }) => paced),
    apart: of(({ end, told }) => Math.abs(end - told)),
    apartPaced: of(({ end, paced }) => Math.abs(end - paced)),
    right:
      of(({ right }) => right) /
      Math.max(
        1,
        of(({ asked }) => asked),
      ),
  };
}

function followWays(): Figure[] {
  const queue = follow("queue");
  const rate = queue.asked / ((WEEKS * 7 * 5) / 7);
  const all = [
    ["the queue, at each student's own pace", queue],
    ["the queue as the model takes memory", follow("as-modelled")],
    ["fixed repetition, as many items as the queue", follow("as-many", rate)],
    ["fixed repetition, all the minutes", follow("rotation")],
    ["no review", follow("none")],
  ] as const;
  const told: Figure = {
    what: "Told as remembered today, at the own pace, against the truth",
    value: decimals(queue.apartPaced),
    note: `mean distance; as the model takes memory ${decimals(queue.apart)}`,
  };
  return [
    ...all.map(([name, { end, asked, faint, right }]) => ({
      what: `Truly remembered after ${WEEKS} weeks: ${name}`,
      value: percent(end),
      note: `${asked.toFixed(0)} items a student, ${percent(right)} right at once; ${faint.toFixed(1)} of ${SKILLS} skills under 70 %`,
    })),
    told,
  ];
}

/** A class that has reviewed for weeks: what is forecast of resting or dropping skills, against what then comes. */
function followForecasts(): Figure[] {
  const from = FORECAST_SKILLS * DAYS_BETWEEN + 14;
  const known = ids.slice(0, FORECAST_SKILLS);
  const to = from + FORECAST_WEEKS * 7;
  const found = (["as it is", "resting", "dropped"] as const).map((what) => ({
    what,
    outcomes: [] as {
      readonly truly: number;
      readonly expected: number;
      readonly held: boolean;
      readonly change: number;
      readonly told: number;
    }[],
  }));
  for (let n = 0; n < CLASSES; n++) {
    const random = seededRandom(`review forecasts ${n}`);
    const pupils = Array.from({ length: STUDENTS }, () => student(random));
    for (let day = 0; day < from; day++)
      for (const one of pupils) live(one, day, "queue", random, { skills: FORECAST_SKILLS });
    const chosen = known.filter((_, place) => place % Math.floor(FORECAST_SKILLS / CHOSEN) === 0).slice(0, CHOSEN);
    const rest = known.filter((skillId) => !chosen.includes(skillId));
    const taught = Array.from({ length: FORECAST_WEEKS * 7 }, (_, ahead) => isTaught(from + ahead));
    const asked = pupils.map((one) => ({
      skills: atPace([...one.skills.values()], ownPace(one.reviews)),
      reviews: one.reviews.map((review) => ({ ...review, stabilityDays: review.stabilityDays * ownPace(one.reviews) })),
      outlook: { fromDay: from, taught, minutesPerDay: MINUTES },
    }));
    const course = (left: readonly string[], over: readonly string[]) => {
      const going = pupils.map(copyOf);
      const own = seededRandom(`what came ${n}`);
      for (let day = from; day < to; day++)
        for (const one of going) live(one, day, "queue", own, { skills: FORECAST_SKILLS, left: new Set(left) });
      return mean(going.map((one) => truly(one, to - 1, over)));
    };
    const plain = course([], known);
    for (const { what, outcomes } of found) {
      const forecast = compareForecasts({
        students: asked,
        rest: what === "resting" ? chosen : [],
        drop: what === "dropped" ? chosen : [],
        runs: 20,
      });
      const before = forecast.before?.at(-1)?.remembered;
      const told = what === "as it is" ? before : forecast.after?.at(-1)?.remembered;
      if (!before || !told) throw new Error("A forecast is missing.");
      const came = what === "as it is" ? plain : course(chosen, what === "dropped" ? rest : known);
      outcomes.push({
        truly: came,
        expected: told.expected,
        held: came >= told.low && came <= told.high,
        change: came - plain,
        told: told.expected - before.expected,
      });
    }
  }
  return found.map(({ what, outcomes }) => {
    const of = (value: (one: (typeof outcomes)[number]) => number) => mean(outcomes.map(value));
    const change =
      what === "as it is"
        ? ""
        : `; change told ${(100 * of((one) => one.told)).toFixed(1)}, came ${(100 * of((one) => one.change)).toFixed(1)} points`;
    return {
      what: `Forecast over ${FORECAST_WEEKS} weeks, ${CHOSEN} skills ${what}`.replace(
        `, ${CHOSEN} skills as it is`,
        ", as it is",
      ),
      value: decimals(of((one) => Math.abs(one.truly - one.expected))),
      note: `mean distance; told ${percent(of((one) => one.expected))}, came ${percent(of((one) => one.truly))}${change}`,
    };
  });
}

/** A world that forgets by another theory than the model's: what review brings there, and whether a forecast comes true. */
export const proveReviewPolicy = (): Figure[] => [...followWays(), ...followForecasts()];
