import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import type { Classroom, ClassroomStudent } from "@/server/classroom/classroom";
import { worthFirst } from "@/server/classroom/worthFirst";
import { shelvesOf } from "@/server/library/shelf";
import type { Runtime } from "@/server/runtime/runtime";
import type { WorthLine } from "../../studentTypes";
import { gaugeView } from "../evidence";

const MOST = 4;

/** What is worth doing first with a student in the minutes at hand, each with a task to begin with. */
export async function worthOf(
  runtime: Runtime,
  student: ClassroomStudent,
  classroom: Classroom,
  minutes: number,
): Promise<WorthLine[]> {
  const first = worthFirst(student, classroom, minutes).slice(0, MOST);
  const shelves = await shelvesOf(
    runtime,
    first.map(({ skillId }) => skillId),
  );
  return first.flatMap(({ skill, why, minutes: long, fits }): WorthLine[] => {
    const gauge = student.gauges.get(skill.id);
    if (!gauge) return [];
    return [
      {
        id: skill.id,
        name: skill.name,
        grade: skill.grade,
        codes: skill.standards.map(({ code }) => code),
        gauge: gaugeView(gauge, dayNumber(classroom.today)),
        minutes: long,
        fits,
        why,
        task: shelves.get(skill.id)?.reteach.together.task ?? "",
      },
    ];
  });
}
