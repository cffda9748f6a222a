import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { readiness } from "@/core/grouping/readiness";
import { worthDoingFirst } from "@/core/grouping/worthDoingFirst";
import { whyWorthDoing } from "@/core/why/whyWorthDoing";
import type { Classroom, ClassroomStudent } from "@/server/classroom/classroom";
import { shelvesOf } from "@/server/library/shelf";
import type { Runtime } from "@/server/runtime/runtime";
import type { WorthLine } from "../../studentTypes";
import { gaugeView } from "../evidence";

const MOST = 4;

/** What is worth doing first with a student in the minutes at hand, each with a task to begin with. */
export async function worthOf(
  runtime: Runtime,
  student: ClassroomStudent,
  { skills, weights, today }: Classroom,
  minutes: number,
): Promise<WorthLine[]> {
  const chances = new Map([...student.gauges].map(([id, { chance }]) => [id, chance]));
  const workable = skills.flatMap((skill) => {
    const gauge = student.gauges.get(skill.id);
    if (!gauge || gauge.mark === "now") return [];
    return [
      {
        id: skill.id,
        mastery: gauge.chance,
        learning: gauge.learning,
        ready: readiness(skill.prerequisites, chances),
        unlockedWeight: weights.get(skill.id) ?? 0,
      },
    ];
  });
  const first = worthDoingFirst(workable, minutes).slice(0, MOST);
  const shelves = await shelvesOf(
    runtime,
    first.map(({ skillId }) => skillId),
  );
  return first.flatMap(({ skillId, minutes: long, fits }): WorthLine[] => {
    const [skill, gauge] = [skills.find(({ id }) => id === skillId), student.gauges.get(skillId)];
    const state = workable.find(({ id }) => id === skillId);
    if (!skill || !gauge || !state) return [];
    const shelf = shelves.get(skillId);
    return [
      {
        id: skill.id,
        name: skill.name,
        grade: skill.grade,
        codes: skill.standards.map(({ code }) => code),
        gauge: gaugeView(gauge, dayNumber(today)),
        minutes: long,
        fits,
        why: whyWorthDoing(state),
        task: shelf?.reteach.together.task ?? "",
      },
    ];
  });
}
