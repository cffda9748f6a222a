import "server-only";
import { array, boolean, number, object, string } from "yup";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { similarStudents } from "@/core/grouping/comparedChange";
import { RETEACH_SLOTS, USUAL_SLOT } from "@/core/grouping/reteachParts";
import { APPROACHES } from "@/core/model/reteach";
import { whyGroup } from "@/core/why/whyGroup";
import { groupById, membersOfGroups, reteachesOfGroups } from "@/db/queries/regroup";
import { beingRetaught } from "@/db/queries/reteaches";
import { added } from "@/db/queries/rowChanges";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import { demandStaff } from "@/server/access/demand";
import { demandGroup } from "@/server/access/subjects";
import { beliefsIn } from "@/server/classroom/beliefs";
import { type ClassroomStudent, classesOfMembers, loadClassroom } from "@/server/classroom/classroom";
import { workRows } from "@/server/classroom/workRows";
import { recordChange } from "@/server/history/recordChange";
import { type Library, type LibrarySkill, libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantAt, todayOf } from "@/server/runtime/school";
import { day, uuid, validated } from "@/server/runtime/validated";
import { weakestUnder } from "../reads/weakestUnder";
import { membersIn } from "./membersIn";

/** A day further off is a slip of the keyboard. */
const MOST_DAYS_AHEAD = 366;
const PRACTICE_ITEMS = 10;

const reteachInput = object({
  groupId: string().required(),
  reteachId: uuid(),
  practiceDueDay: day(),
  checkOpensDay: day(),
  checkDueDay: day(),
  checkItems: number()
    .integer()
    .min(3, "A check has at least 3 items.")
    .max(8, "A check has at most 8 items.")
    .required(),
  approach: string()
    .oneOf([...APPROACHES], "Choose a way to teach it.")
    .default("things"),
  minutes: number()
    .oneOf([...RETEACH_SLOTS], "Choose how long the lesson is.")
    .default(USUAL_SLOT),
  /** Those who are taught; everybody in the group unless stated. */
  studentIds: array(string().required()).max(60).default([]),
  /** Whether students like them do the check too, for comparison. */
  compare: boolean().default(true),
});

/**
 * Gives a group its reteach practice and a short check, and keeps where each student stood before. Students like them who are not
 * taught get the check as well, so that what came of it can be compared. One change.
 */
export async function assignReteach(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(reteachInput, raw);
  const { runtime } = context;
  const library = await libraryOf(runtime);
  const found = await groupById(runtime.db.read, input.groupId);
  if (!found || found.archivedAt !== null) throw new Refusal("not-found", "This group is not there, or was archived.");
  await demandGroup(context, "change", found, runtime.db.read);
  if (found.skillId === null) throw new Refusal("invalid", "This group is for no skill yet. Choose one first.");
  const skill = library.skill(found.skillId);
  const look = { day: await todayOf(runtime, staff.schoolId), viewerId: staff.personId };
  const members = await membersOfGroups(runtime.db.read, [found.id], look);
  const classroom = await loadClassroom(
    runtime,
    staff.schoolId,
    await classesOfMembers(
      runtime,
      { classId: found.classId, schoolId: staff.schoolId },
      members.map(({ person }) => person.id),
    ),
  );
  const { school, today } = classroom;
  const now = runtime.now();
  const dueAt = instantAt(school, input.practiceDueDay, "20:00");
  const checkOpensAt =
    input.checkOpensDay <= dayAt(school, now) ? now : instantAt(school, input.checkOpensDay, "06:00");
  const checkDueAt = instantAt(school, input.checkDueDay, "20:00");
  if (dueAt <= now || checkDueAt <= checkOpensAt)
    throw new Refusal("invalid", "A due day lies before the work opens. Choose later days.");
  const last = dayOfNumber(dayNumber(today) + MOST_DAYS_AHEAD);
  if ([input.practiceDueDay, input.checkOpensDay, input.checkDueDay].some((chosen) => chosen > last))
    throw new Refusal("invalid", "A day lies more than a year ahead. Choose days within the coming weeks.");
  return runtime.db.write(async (tx) => {
    const earlier = await reteachesOfGroups(tx, [found.id]);
    if (earlier.some(({ id }) => id === input.reteachId)) return { changeId: null };
    const present = (await membersOfGroups(tx, [found.id], look)).filter(({ explains }) => !explains);
    const meant = present.filter(({ person }) => input.studentIds.length === 0 || input.studentIds.includes(person.id));
    if (meant.length === 0 || meant.length < new Set(input.studentIds).size)
      throw new Refusal("conflict", "Some of these students are not in the group any more. Open the page again.");
    const taught = membersIn(
      classroom,
      meant.map(({ person }) => person.id),
    );
    const outside = classroom.students.filter(
      ({ id, classId }) => classId === found.classId && !members.some(({ person }) => person.id === id),
    );
    const beliefs = await beliefsIn(tx, [...taught, ...outside], skill, dayNumber(today));
    const chanceOf = (id: string) => beliefs.get(id)?.chance ?? 0;
    const retaught = await beingRetaught(
      tx,
      outside.map(({ id }) => id),
      skill.id,
    );
    const compared = input.compare
      ? similarStudents(
          taught.map(({ id }) => ({ chance: chanceOf(id) })),
          outside.filter(({ id }) => !retaught.has(id)).map(({ id }) => ({ id, chance: chanceOf(id) })),
        )
      : [];
    const lower = input.approach === "underneath" ? weakestUnder(taught, skill, library) : null;
    const [practiceId, checkId] = [runtime.newId(), runtime.newId()];
    const to = { classId: found.classId, groupId: found.id };
    const taughtIds = taught.map(({ id }) => id);
    const keep = (id: string) => ({
      chanceBefore: chanceOf(id),
      beliefMean: beliefs.get(id)?.belief.mean ?? 0,
      beliefSpread: beliefs.get(id)?.belief.spread ?? 1,
    });
    const rows = [
      ...workRows(
        context,
        {
          title: skill.studentName,
          instructions: "Some more on what we looked at together. Take the hint when you need it.",
          parts: [
            {
              kind: "practice",
              settings: { items: PRACTICE_ITEMS },
              skillIds: lower ? [lower.id, skill.id] : [skill.id],
            },
          ],
        },
        [{ ...to, id: practiceId, studentIds: taughtIds, opensAt: now, dueAt }],
      ),
      ...workRows(
        context,
        {
          title: `Check: ${skill.studentName}`,
          instructions: "A short check. One try for each; you see the result in class.",
          parts: [{ kind: "check", settings: { items: input.checkItems }, skillIds: [skill.id] }],
        },
        [
          {
            ...to,
            id: checkId,
            studentIds: [...taughtIds, ...compared.map(({ id }) => id)],
            opensAt: checkOpensAt,
            dueAt: checkDueAt,
          },
        ],
      ),
      added("reteaches", {
        id: input.reteachId,
        groupId: found.id,
        skillId: skill.id,
        practiceId,
        checkId,
        assignedDay: today,
        createdAt: now,
        approach: input.approach,
        lowerSkillId: lower?.id ?? null,
        misconceptionId: await sharedMistake(context, taught, skill, library),
        minutes: input.minutes,
        byId: staff.personId,
      }),
      ...taughtIds.map((personId) =>
        added("reteachStudents", { id: runtime.newId(), reteachId: input.reteachId, personId, ...keep(personId) }),
      ),
      ...compared.map(({ id }) =>
        added("reteachCompared", { id: runtime.newId(), reteachId: input.reteachId, personId: id, ...keep(id) }),
      ),
    ];
    return {
      changeId: await recordChange(tx, context, {
        kind: "reteach-assigned",
        facts: { skill: skill.name, group: found.name },
        classId: found.classId,
        rows,
      }),
    };
  });
}

/** The known mistake that at least half of the students made in the skill; null for none. */
async function sharedMistake(
  { runtime }: Context,
  students: readonly ClassroomStudent[],
  skill: LibrarySkill,
  library: Library,
): Promise<string | null> {
  const signs = await misconceptionSignsOf(
    runtime.db.read,
    students.map(({ id }) => id),
  );
  const { misconceptionId, shareMistake } = whyGroup(
    students.map(({ id, gauges }) => ({
      chance: gauges.get(skill.id)?.chance ?? 0,
      ready: 1,
      misconceptionIds: signs
        .filter((sign) => sign.skillId === skill.id && sign.personId === id)
        .map((sign) => sign.misconceptionId),
    })),
  );
  const isShared = misconceptionId !== null && shareMistake * 2 >= students.length;
  return isShared && library.misconceptions.has(misconceptionId) ? misconceptionId : null;
}
