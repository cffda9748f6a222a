import "server-only";
import { format } from "date-fns";
import { classesById } from "@/db/queries/people";
import { demandClasses } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import type { Context } from "@/server/runtime/context";
import { positionIn, SHARE_WANTED } from "./position";
import type { PlanEntryView, PlanView } from "./types";

/** The plan of one class: its skills in order, with dates and where the class stands. */
export async function planView(context: Context, classId: string): Promise<PlanView> {
  await demandClasses(context, "see", [classId]);
  const classroom = await loadClassroom(context.runtime, context.actor.schoolId, [classId]);
  const classes = await classesById(context.runtime.db.read, [classId]);
  const entries = entriesOf(classroom);
  return {
    className: classes.find(({ id }) => id === classId)?.name ?? "",
    entries,
    position: positionOf(classroom, entries),
  };
}

function entriesOf({ plan, skills, students, today }: Classroom): PlanEntryView[] {
  return plan.flatMap((entry) => {
    const skill = skills.find(({ id }) => id === entry.skillId);
    if (!skill) return [];
    const gauges = students.map((student) => student.gauges.get(skill.id)).filter((gauge) => gauge !== undefined);
    const known = gauges.filter(({ tooLittle }) => !tooLittle);
    const secure = known.filter(({ level }) => level === "secure" || level === "extending").length;
    // What was mastered once and has faded since is a matter for review, not for the plan.
    const there = known.filter(
      ({ level, mark }) => mark === "faded" || level === "secure" || level === "extending",
    ).length;
    return [
      {
        skillId: skill.id,
        name: skill.name,
        grade: skill.grade,
        code: skill.standards[0]?.code ?? "",
        fromDay: dayWords(entry.fromDay),
        targetDay: dayWords(entry.targetDay),
        place: entry.targetDay < today ? "past" : entry.fromDay > today ? "ahead" : "now",
        secure,
        developing: known.filter(({ level }) => level === "developing").length,
        beginning: known.filter(({ level }) => level === "beginning").length,
        tooLittle: gauges.length - known.length,
        students: gauges.length,
        reached: gauges.length > 0 && there / gauges.length >= SHARE_WANTED,
        there,
        buildsOn: skill.prerequisites.map((id) => skills.find((other) => other.id === id)?.name ?? ""),
      } satisfies PlanEntryView,
    ];
  });
}

function positionOf(
  { plan, today, school, skills }: Classroom,
  entries: readonly PlanEntryView[],
): PlanView["position"] {
  const planned = plan.map(({ skillId, targetDay }) => {
    const entry = entries.find((candidate) => candidate.skillId === skillId);
    return {
      skillId,
      name: skills.find(({ id }) => id === skillId)?.name ?? "",
      targetDay,
      shareSecure: entry && entry.students > 0 ? entry.there / entry.students : 0,
    };
  });
  return positionIn(planned, today, school);
}

const dayWords = (day: string) => format(new Date(`${day}T12:00:00`), "d MMM");
