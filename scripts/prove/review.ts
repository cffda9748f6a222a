import { mean } from "@/core/numeric/mean";
import { seededRandom } from "@/core/numeric/seededRandom";
import { forecastReview } from "@/core/review/forecastReview";
import { reviewMemory } from "@/core/review/reviewMemory";
import { reviewQueue } from "@/core/review/reviewQueue";
import type { ReviewSkill } from "@/core/review/reviewSkill";
import { shareRemembered } from "@/core/review/shareRemembered";
import { normal } from "~/demo/learner";
import { decimals, type Figure, percent } from "./table";

const STUDENTS = 60;
const SKILLS = 20;
const WEEKS = 6;
const MINUTES_PER_DAY = 5;
/** True memories differ from what the model takes them for by this factor, as the standard deviation of its logarithm. */
const UNKNOWN_FACTOR = 0.35;

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
  const believed = shareRemembered(current, last);
  return { truly: truly(last), believed: "share" in believed ? believed.share : 0 };
}

export function proveReview(): Figure[] {
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
    const factors = skills.map(() => Math.exp(normal(random, 0, UNKNOWN_FACTOR)));
    const plan = { fromDay: 0, taught, minutesPerDay: MINUTES_PER_DAY };
    const forecast = forecastReview(skills, plan, seededRandom(`forecast ${n}`), 100)?.at(-1)?.remembered;
    const none = forecastReview(skills, { ...plan, minutesPerDay: 0 }, seededRandom(`none ${n}`), 1)?.at(
      -1,
    )?.remembered;
    const outcome = live(skills, factors, random);
    if (!forecast || !none) throw new Error("A forecast is missing.");
    if (outcome.believed >= forecast.low && outcome.believed <= forecast.high) inside++;
    error += Math.abs(forecast.expected - outcome.truly);
    return { ...outcome, forecast: forecast.expected, none: none.expected };
  });
  return [
    {
      what: `Share truly remembered after ${WEEKS} weeks`,
      value: percent(mean(outcomes.map(({ truly }) => truly))),
      note: `${SKILLS} skills, ${MINUTES_PER_DAY} minutes a school day, memories unknown by a third`,
    },
    { what: "Share remembered without any review", value: percent(mean(outcomes.map(({ none }) => none))), note: "" },
    { what: "Share forecast at the start", value: percent(mean(outcomes.map(({ forecast }) => forecast))), note: "" },
    {
      what: "Forecast against true outcome, mean distance",
      value: decimals(error / STUDENTS),
      note: "in share remembered",
    },
    {
      what: "Outcomes within the forecast's band",
      value: percent(inside / STUDENTS),
      note: "the band holds 80 % where the model is right",
    },
  ];
}
