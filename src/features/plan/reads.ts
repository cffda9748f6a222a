import "server-only";
import { format } from "date-fns";
import { planPosition } from "@/core/calendar/planPosition";
import { classesById } from "@/db/queries/people";
import { demand } from "@/server/access/demand";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import type { Context } from "@/server/runtime/context";
import type { PlanEntryView, PlanView } from "./types";

/** Share of a class that must have been Secure or mastered for a planned skill to count as reached. */
const SHARE_WANTED = 0.5;

/** The plan of one class: its skills in order, with dates and where the class stands. */
export async function planView(context: Context, classId: string): Promise<PlanView> {
  demand(context.actor, "see", { kind: "class", classId });
  const classroom = await loadClassroom(context.runtime, context.actor.schoolId, [classId]);
  const classes = await classesById(context.runtime.db.read, [classId]);
  const entries = entriesOf(classroom);
  return {
    className: classes.find(({ id }) => id === classId)?.name ?? "",
    entries,
    position: positionOf(classroom, entries),
  };
}

/** What the plan station of the bend says, for the first of the classes. */
export async function planFigure(
  context: Context,
  classIds: readonly string[],
): Promise<{ text: string; attention: boolean }> {
  const [classId] = classIds;
  if (!classId) return { text: "no class", attention: false };
  const { position, entries } = await planView(context, classId);
  return entries.length === 0
    ? { text: "no plan yet", attention: false }
    : { text: position.short, attention: position.daysAhead < -5 };
}

function entriesOf({ plan, skills, students, today }: Classroom): PlanEntryView[] {
  return plan.flatMap((entry) => {
    const skill = skills.find(({ id }) => id === entry.skillId);
    if (!skill) return [];
    const gauges = students.map((student) => student.gauges.get(skill.id)).filter((gauge) => gauge !== undefined);
    const known = gauges.filter(({ tooLittle }) => !tooLittle);
    const secure = known.filter(({ level }) => level === "secure" || level === "extending").length;
    // What was mastered once and has faded since is a matter for review, not for the plan.
    const there = known.filter(({ level, mastered }) => mastered || level === "secure" || level === "extending").length;
    return [
      {
        skillId: skill.id,
        name: skill.name,
        grade: skill.grade,
        code: skill.standard.code,
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
    return { skillId, targetDay, shareSecure: entry && entry.students > 0 ? entry.there / entry.students : 0 };
  });
  const { nextSkillId, daysAhead } = planPosition(planned, today, school.calendar, SHARE_WANTED);
  const name = skills.find(({ id }) => id === nextSkillId)?.name ?? "all skills reached";
  const count = Math.abs(daysAhead);
  const place = (unit: string) =>
    daysAhead === 0
      ? "on its dates"
      : `${count} ${unit}${count === 1 ? "" : "s"} ${daysAhead < 0 ? "behind" : "ahead"}`;
  return { daysAhead, text: `${name}, ${place("school day")}`, short: `${name}, ${place("day")}` };
}

const dayWords = (day: string) => format(new Date(`${day}T12:00:00`), "d MMM");
