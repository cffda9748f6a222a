import "server-only";
import { format } from "date-fns";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import type { DayRange } from "@/core/calendar/rangeOfDays";
import { weeksOf } from "@/core/calendar/weeksOf";
import { groupBy } from "@/core/collections/groupBy";
import { rankMisconceptions } from "@/core/measurement/rankMisconceptions";
import { LEVEL_CUTS } from "@/core/model/levels";
import { reteachPlansOf } from "@/db/queries/library";
import { misconceptionDaysOf, skillDaysOf } from "@/db/queries/summaries";
import { loadClassroom } from "@/server/classroom/classroom";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import type { MistakesView } from "../mistakeTypes";
import { isOfGrade, type ReportFrame, wasMember } from "./frame";

/** Which known mistakes showed over some days, in whom, and what became of them. Days on which a student was in another class are left out. */
export async function mistakesReport(context: Context, frame: ReportFrame): Promise<MistakesView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const ids = frame.students.map(({ id }) => id);
  const [library, classroom, signs, before, days] = await Promise.all([
    libraryOf(runtime),
    loadClassroom(runtime, actor.schoolId, frame.classIds),
    misconceptionDaysOf(db, ids, frame.range),
    frame.against ? misconceptionDaysOf(db, ids, frame.against) : null,
    skillDaysOf(db, ids, frame.range.from),
  ]);
  const studentOf = new Map(frame.students.map((student) => [student.id, student]));
  const skillOf = new Map(frame.skills.map((skill) => [skill.id, skill]));
  const counts = (row: { readonly personId: string; readonly skillId: string; readonly day: number }): boolean => {
    const [student, skill] = [studentOf.get(row.personId), skillOf.get(row.skillId)];
    if (!student || !skill) return false;
    return wasMember(student, row.day) && isOfGrade(frame.params.ofGrade, skill.grade, student.grade);
  };
  const shown = signs.filter(counts);
  const secure = new Map(classroom.students.map(({ id, gauges }) => [id, gauges]));
  const isSecure = (personId: string, skillId: string) =>
    (secure.get(personId)?.get(skillId)?.chance ?? 0) >= LEVEL_CUTS.secure;
  const keyOf = (row: { readonly skillId: string; readonly misconceptionId: string }) =>
    JSON.stringify([row.skillId, row.misconceptionId]);
  const byMistake = groupBy(shown, keyOf);
  const beforeBy = groupBy((before ?? []).filter(counts), keyOf);
  const plans = await reteachPlansOf(db, [...new Set(shown.map(({ skillId }) => skillId))]);
  const weeks = weeksOf(frame.range);
  const ranked = rankMisconceptions(
    [...groupBy(shown, (row) => `${keyOf(row)} ${row.personId}`).values()].flatMap((own) => {
      const [first] = own;
      if (!first) return [];
      return [
        {
          studentId: first.personId,
          skillId: first.skillId,
          misconceptionId: first.misconceptionId,
          times: own.reduce((sum, { times }) => sum + times, 0),
          secureSince: isSecure(first.personId, first.skillId),
        },
      ];
    }),
  );
  const named = (id: string) => ({ id, name: studentOf.get(id)?.name ?? "" });
  return {
    students: frame.students.length,
    weeks: weeks.map(({ from }) => format(new Date(`${dayOfNumber(from)}T12:00:00`), "d MMM")),
    ...wrongOnes(days.filter(counts), shown, frame.range),
    lines: ranked.flatMap(({ skillId, misconceptionId, students }) => {
      const [skill, misconception] = [skillOf.get(skillId), library.misconceptions.get(misconceptionId)];
      if (!skill || !misconception) return [];
      const own = byMistake.get(keyOf({ skillId, misconceptionId })) ?? [];
      return [
        {
          key: `${skillId} ${misconceptionId}`,
          skillId,
          skill: skill.name,
          grade: skill.grade,
          misconceptionId,
          name: misconception.name,
          explanation: misconception.explanation,
          students: students.map(({ studentId, times }) => ({ ...named(studentId), times })),
          secureSince: [...new Set(own.map(({ personId }) => personId))]
            .filter((id) => isSecure(id, skillId))
            .map(named),
          weeks: weeks.map(
            ({ from, to }) =>
              new Set(own.filter(({ day }) => from <= day && day <= to).map(({ personId }) => personId)).size,
          ),
          before:
            before === null
              ? null
              : new Set((beforeBy.get(keyOf({ skillId, misconceptionId })) ?? []).map(({ personId }) => personId)).size,
          answered:
            plans
              .find(({ id }) => id === skillId)
              ?.reteach.look.some((look) => look.misconceptionId === misconceptionId) ?? false,
          blocks: skill.unlocks.flatMap((id) => library.skillIfKnown(id)?.name ?? []),
        },
      ];
    }),
  };
}

/** How many first answers were wrong in these days, and how many wrong answers a known mistake explains. */
function wrongOnes(
  days: readonly { readonly day: number; readonly answered: number; readonly right: number }[],
  shown: readonly { readonly times: number }[],
  { to }: DayRange,
): Pick<MistakesView, "wrong" | "told"> {
  const wrong = days.filter(({ day }) => day <= to).reduce((sum, { answered, right }) => sum + answered - right, 0);
  return { wrong, told: shown.reduce((sum, { times }) => sum + times, 0) };
}
