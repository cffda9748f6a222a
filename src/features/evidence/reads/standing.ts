import "server-only";
import { format } from "date-fns";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { groupBy } from "@/core/collections/groupBy";
import { readiness } from "@/core/grouping/readiness";
import { groupsOfStudents } from "@/db/queries/regroup";
import { openSnags } from "@/db/queries/snags";
import { assignmentsOfClasses, openSkillsOf, targetsWithSittings } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { classSubjects, demandClasses } from "@/server/access/subjects";
import { loadClassroom } from "@/server/classroom/classroom";
import type { Context } from "@/server/runtime/context";
import type { StandingFacts } from "../standingFacts";

/** School days until work is due that is given from the map. */
const USUAL_SCHOOL_DAYS = 3;

/** Pieces of work by which somebody can be meant. */
const MOST_WORKS = 15;

/** What is known of the students of some classes beside the map: what they have open, snags, groups, what they are ready for. */
export async function standingFacts(context: Context, classIds: readonly string[]): Promise<StandingFacts> {
  const staff = demandStaff(context.actor);
  await demandClasses(context, "see", classIds);
  const { runtime } = context;
  const { students, skills, today, school } = await loadClassroom(runtime, staff.schoolId, classIds);
  const ids = students.map(({ id }) => id);
  const [snags, open, memberships, subjects] = await Promise.all([
    openSnags(runtime.db.read, ids),
    openSkillsOf(runtime.db.read, ids, runtime.now()),
    groupsOfStudents(runtime.db.read, ids, today),
    classSubjects(runtime.db.read, staff, classIds),
  ]);
  const { works, worksOf } = await latestWorks(runtime.db.read, classIds);
  const groups = [...new Map(memberships.map(({ group }) => [group.id, { id: group.id, name: group.name }])).values()];
  const [snagsOf, openOf, groupsOf] = [
    groupBy(snags, ({ personId }) => personId),
    groupBy(open, ({ personId }) => personId),
    groupBy(memberships, ({ personId }) => personId),
  ];
  const dueDay = addSchoolDays(today, USUAL_SCHOOL_DAYS, school.calendar);
  return {
    students: Object.fromEntries(
      students.map((student) => {
        const chances = new Map([...student.gauges].map(([id, gauge]) => [id, gauge.chance]));
        const works = groupBy(openOf.get(student.id) ?? [], ({ skillId }) => skillId);
        return [
          student.id,
          {
            classId: student.classId,
            groupIds: (groupsOf.get(student.id) ?? []).map(({ group }) => group.id),
            snags: (snagsOf.get(student.id) ?? []).map(({ skillId }) => skillId),
            open: Object.fromEntries([...works].map(([skillId, own]) => [skillId, own.map(({ title }) => title)])),
            works: worksOf.get(student.id) ?? {},
            ready: Object.fromEntries(skills.map(({ id, prerequisites }) => [id, readiness(prerequisites, chances)])),
          },
        ];
      }),
    ),
    works,
    groups,
    dueDay,
    dueWords: format(new Date(`${dueDay}T12:00:00`), "EEEE d MMMM"),
    mayGive: classIds.length > 0 && subjects.length > 0 && subjects.every((subject) => may(staff, "change", subject)),
  };
}

type WorksOfStudent = StandingFacts["students"][string]["works"];

/** The latest pieces of work of some classes, and how far each student is with them. */
async function latestWorks(db: Queryable, classIds: readonly string[]) {
  const given = await assignmentsOfClasses(db, classIds, MOST_WORKS);
  const targets = await targetsWithSittings(
    db,
    given.map(({ id }) => id),
  );
  const worksOf = new Map<string, WorksOfStudent>();
  for (const { target, sitting, throughAt } of targets) {
    const share =
      sitting?.mark ?? (sitting && sitting.itemsDone > 0 ? `${sitting.itemsRight}/${sitting.itemsDone}` : null);
    const own = { begun: sitting !== null, through: throughAt !== null, share };
    worksOf.set(target.personId, { ...worksOf.get(target.personId), [target.assignmentId]: own });
  }
  return { works: given.map(({ id, title }) => ({ id, title })), worksOf };
}
