import { mean } from "@/core/numeric/mean";
import { seededRandom } from "@/core/numeric/seededRandom";
import { forecastReview } from "@/core/review/forecastReview";
import { reviewMemory } from "@/core/review/reviewMemory";
import { reviewQueue } from "@/core/review/reviewQueue";
import type { ReviewSkill } from "@/core/review/reviewSkill";
import { normal } from "~/demo/learner";
import { decimals, type Figure, percent } from "./table";

const STUDENTS = 150;
const SKILLS = 20;
const WEEKS = 6;
const MINUTES_PER_DAY = 5;
/** Worlds of true memories: how far a student's and a single skill's lie from what the model takes them for (sd of the logarithm). */
const WORLDS = [
  { name: "student and skill effects", student: 0.35, skill: 0.35 },
  { name: "skills only", student: 0, skill: 0.35 },
  { name: "students more apart", student: 0.5, skill: 0.3 },
] as const;

const taught = Array.from({ length: WEEKS * 7 }, (_, day) => day % 7 < 5);

/** One student's weeks as they come: the queue knows the model's memories, the answers come from the true ones. */
function live(skills: readonly ReviewSkill[], factors: readonly number[], random: () => number) {
  const current = [...skills];
  const truly = (day: number) =>
    mean(
      current.map(({ memory, lastDay }, place) =>
        reviewMemory.recall(memory.stabilityDays * (factors[place] ?? 1), day - lastDay),
      ),
    );
  taught.forEach((open, day) => {
    if (!open) return;
    for (const skillId of reviewQueue(current, { day, minutes: MINUTES_PER_DAY }).skillIds) {
      const place = current.findIndex((skill) => skill.skillId === skillId);
      const skill = current[place] as ReviewSkill;
      const elapsed = day - skill.lastDay;
      const right = random() < reviewMemory.recall(skill.memory.stabilityDays * (factors[place] ?? 1), elapsed);
      current[place] = { ...skill, memory: reviewMemory.next(skill.memory, elapsed, right ? 3 : 1), lastDay: day };
    }
  });
  const last = taught.length - 1;
  return { truly: truly(last) };
}

export const proveReview = (): Figure[] => WORLDS.flatMap(proveIn);

function proveIn(world: (typeof WORLDS)[number]): Figure[] {
  const random = seededRandom("prove review");
  let [inside, error] = [0, 0];
  const outcomes = Array.from({ length: STUDENTS }, (_, n) => {
    const skills = Array.from(
      { length: SKILLS },
      (_, place): ReviewSkill => ({
        skillId: `k${place}`,
        strandId: `t${place % 4}`,
        memory: { stabilityDays: Math.exp(normal(random, 2.5, 0.6)), difficulty: 2 + random() * 5 },
        lastDay: -1 - Math.floor(random() * 20),
        minutes: 2,
      }),
    );
    const own = normal(random, 0, world.student);
    const factors = skills.map(() => Math.exp(own + normal(random, 0, world.skill)));
    const plan = { fromDay: 0, taught, minutesPerDay: MINUTES_PER_DAY };
    const forecast = forecastReview(skills, plan, seededRandom(`forecast ${n}`), 100)?.at(-1)?.remembered;
    const none = forecastReview(skills, { ...plan, minutesPerDay: 0 }, seededRandom(`none ${n}`), 1)?.at(
      -1,
    )?.remembered;
    const outcome = live(skills, factors, random);
    if (!forecast || !none) throw new Error("A forecast is missing.");
    if (outcome.truly >= forecast.low && outcome.truly <= forecast.high) inside++;
    error += Math.abs(forecast.expected - outcome.truly);
    return { ...outcome, forecast: forecast.expected, none: none.expected };
  });
  return [
    {
      what: `${world.name}: truly remembered after ${WEEKS} weeks`,
      value: percent(mean(outcomes.map(({ truly }) => truly))),
      note: `${SKILLS} skills, ${MINUTES_PER_DAY} minutes a school day, memories unknown`,
    },
    { what: `${world.name}: without any review`, value: percent(mean(outcomes.map(({ none }) => none))), note: "" },
    {
      what: `${world.name}: forecast at the start`,
      value: percent(mean(outcomes.map(({ forecast }) => forecast))),
      note: "",
    },
    {
      what: `${world.name}: forecast against truth, mean distance`,
      value: decimals(error / STUDENTS),
      note: "in share remembered",
    },
    {
      what: `${world.name}: true shares within the band`,
      value: percent(inside / STUDENTS),
      note: "the band is to hold 80 %; aim 75 to 85 %",
    },
  ];
}
