import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import type { OutcomeVerdict } from "@/core/grouping/reteachOutcome";
import { stateOfRun } from "@/core/work/stateOfRun";
import { tellingMisses } from "@/db/queries/answerLog";
import { classesById, peopleById } from "@/db/queries/people";
import {
  groupById,
  lapsedMembersOf,
  membersOfGroups,
  reteachesOfGroups,
  studentsOfReteaches,
} from "@/db/queries/regroup";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import { assignmentById, type RunRow, targetsWithSittings } from "@/db/queries/work";
import { demandClasses, demandGroup } from "@/server/access/subjects";
import { classesOfMembers, classroomOfSome, loadClassroom } from "@/server/classroom/classroom";
import { shortNames } from "@/server/classroom/names";
import { libraryOf } from "@/server/library/library";
import { shelfOf } from "@/server/library/shelf";
import { shownAnswers } from "@/server/library/shownAnswers";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf, todayOf } from "@/server/runtime/school";
import { dayWords } from "@/words/staff/dayWords";
import { runWords } from "@/words/staff/runWords";
import { chipOf, suggestGroups } from "../suggestions";
import type { GroupListEntry, GroupView, Limits, MemberView, Suggestions } from "../types";
import { groupStages, groupsAround, latestReteaches } from "./stages";

/** Wrong answers shown on a reteach plan. */
const WRONG_ANSWERS = 6;

export async function suggestions(context: Context, classIds: readonly string[], limits: Limits): Promise<Suggestions> {
  await demandClasses(context, "see", classIds);
  const { runtime, actor } = context;
  const classroom = await loadClassroom(runtime, actor.schoolId, classIds);
  const library = await libraryOf(runtime);
  const signs = await misconceptionSignsOf(
    runtime.db.read,
    classroom.students.map(({ id }) => id),
  );
  return suggestGroups(runtime, classroom, library, signs, limits);
}

export async function groupList(context: Context, classIds: readonly string[]): Promise<GroupListEntry[]> {
  await demandClasses(context, "see", classIds);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const shared = actor.kind === "staff" ? [...actor.groupTies.keys()] : [];
  const groups = await groupsAround(db, classIds, shared);
  const [stages, classes, library, school] = await Promise.all([
    groupStages(db, groups, {
      now: runtime.now(),
      day: await todayOf(runtime, actor.schoolId),
      viewerId: actor.personId,
    }),
    classesById(
      db,
      groups.map(({ classId }) => classId),
    ),
    libraryOf(runtime),
    schoolOf(runtime, actor.schoolId),
  ]);
  const names = shortNames(stages.flatMap(({ members }) => members));
  return groups.flatMap((group): GroupListEntry[] => {
    const progress = stages.find(({ groupId }) => groupId === group.id);
    if (!progress) return [];
    const { stage, members, practised, checked, counted, checkOpensAt } = progress;
    const opens = checkOpensAt === null ? "later" : format(new TZDate(checkOpensAt, school.timeZone), "EEE d MMM");
    return [
      {
        id: group.id,
        name: group.name,
        label: group.label,
        skillName: group.skillId === null ? group.purpose || "no skill chosen" : library.skill(group.skillId).name,
        className: classes.find(({ id }) => id === group.classId)?.name ?? "",
        members: members.map(({ id }) => names.get(id) ?? ""),
        stage,
        stageText: {
          standing: group.untilDay === null ? "no end set" : `until ${dayWords(group.untilDay)}`,
          plan: "nothing assigned yet",
          practice: `practice: ${practised} of ${counted} finished`,
          waiting: `practised; the check opens ${opens}`,
          check: `check: ${checked} of ${counted} handed in`,
          result: "checked: see the result",
        }[stage],
      },
    ];
  });
}

export async function groupView(context: Context, groupId: string): Promise<GroupView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const group = await groupById(db, groupId);
  if (!group || group.archivedAt !== null) throw new Refusal("not-found", "This group is not there, or was archived.");
  await demandGroup(context, "see", group, db);
  if (group.skillId === null) throw new Refusal("invalid", "This group is for no skill. Open it on the group board.");
  const look = { day: await todayOf(runtime, actor.schoolId), viewerId: actor.personId };
  const present = (await membersOfGroups(db, [groupId], look)).map(({ person }) => person);
  const lapsed = await lapsedMembersOf(db, groupId, look);
  const reteach = latestReteaches([group], await reteachesOfGroups(db, [groupId])).get(groupId);
  const taught = reteach ? await studentsOfReteaches(db, [reteach.id]) : [];
  // Those who left since are still part of what came of it.
  const left = await peopleById(
    db,
    taught
      .map(({ personId }) => personId)
      .filter((id) => !present.some((person) => person.id === id) && !lapsed.includes(id)),
  );
  const people = [...present, ...left];
  const memberIds = people.map(({ id }) => id);
  const [classroom, library, signs] = await Promise.all([
    classroomOfSome(
      runtime,
      actor.schoolId,
      people,
      await classesOfMembers(runtime, { classId: group.classId, schoolId: actor.schoolId }, memberIds),
    ),
    libraryOf(runtime),
    misconceptionSignsOf(db, memberIds),
  ]);
  const skill = library.skill(group.skillId);
  const runs = reteach ? await targetsWithSittings(db, [reteach.practiceId, reteach.checkId]) : [];
  const check = reteach ? await assignmentById(db, reteach.checkId) : null;
  const members = classroom.students.map((student): MemberView => {
    const own = taught.find(({ personId }) => personId === student.id);
    const runOf = (assignmentId: string | undefined) =>
      runs.find(({ target, person }) => target.assignmentId === assignmentId && person.id === student.id)?.sitting ??
      null;
    const checked = runOf(reteach?.checkId);
    const chip = chipOf(student, skill.id, library, signs);
    return {
      ...chip,
      left: left.some(({ id }) => id === student.id),
      chanceBefore: own?.chanceBefore ?? null,
      // What was judged stands: the chance fades afterwards, the outcome does not.
      chanceAfter: own?.chanceAfter ?? chip.chance,
      check: own?.judgedDay
        ? { right: own.checkRight ?? 0, answered: own.checkItems ?? 0, of: own.checkItems ?? 0 }
        : checked && check
          ? { right: checked.itemsRight, answered: checked.itemsDone, of: check.settings.items }
          : null,
      practice: reteach ? practiceWords(runOf(reteach.practiceId)) : null,
      verdict: own ? (own.verdict ?? "check-open") : null,
      misconceptions: signs
        .filter((sign) => sign.personId === student.id && sign.skillId === skill.id)
        .map((sign) => ({ name: library.misconceptions.get(sign.misconceptionId)?.name ?? "", times: sign.times })),
    };
  });
  const { calendar } = classroom.school;
  const { reteach: plan } = await shelfOf(runtime, skill.id);
  return {
    id: group.id,
    name: group.name,
    because: group.because,
    classId: group.classId,
    skillId: skill.id,
    skillName: skill.name,
    grade: skill.grade,
    members,
    plan,
    lookedAt: plan.look.map(({ misconceptionId }) => library.misconceptionName(misconceptionId)),
    reteach: reteach
      ? {
          practiceWorkId: reteach.practiceId,
          checkWorkId: reteach.checkId,
          when: format(new TZDate(reteach.createdAt, classroom.school.timeZone), "EEE d MMM"),
        }
      : null,
    outcome: reteach ? outcomeOf(members) : null,
    today: classroom.today,
    practiceDue: addSchoolDays(classroom.today, 2, calendar),
    checkOpens: addSchoolDays(classroom.today, 1, calendar),
    checkDue: addSchoolDays(classroom.today, 4, calendar),
    wrongAnswers: await wrongAnswersOf(context, members, skill.id),
  };
}

function practiceWords(run: RunRow | null): string {
  const state = stateOfRun(run);
  return run && state === "working" ? `${run.itemsDone} items` : runWords(state);
}

function outcomeOf(members: readonly MemberView[]): GroupView["outcome"] {
  const taught = members.filter(({ chanceBefore }) => chanceBefore !== null);
  const count = (verdict: OutcomeVerdict) => members.filter((member) => member.verdict === verdict).length;
  const mean = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
  return {
    learned: count("learned"),
    closer: count("closer"),
    again: count("round-again"),
    open: count("check-open"),
    meanBefore: mean(taught.map(({ chanceBefore }) => chanceBefore ?? 0)),
    meanAfter: mean(taught.map(({ chanceAfter }) => chanceAfter)),
    students: taught.length,
  };
}

/** The members' own wrong answers in the skill, one each, those with a known misconception first. */
async function wrongAnswersOf(
  context: Context,
  members: readonly MemberView[],
  skillId: string,
): Promise<GroupView["wrongAnswers"]> {
  const library = await libraryOf(context.runtime);
  const rows = await tellingMisses(
    context.runtime.db.read,
    members.map(({ id }) => id),
    skillId,
  );
  const shown = await shownAnswers(context.runtime, rows, skillId);
  return members
    .flatMap(({ id, name }) => {
      const own = shown.find(({ row }) => row.personId === id);
      if (!own?.item) return [];
      const { stem, given, key, misconceptionId } = own;
      const misconception = misconceptionId ? library.misconceptionName(misconceptionId) || null : null;
      return [{ name, stem, given, answer: key, misconception }];
    })
    .sort((x, y) => Number(y.misconception !== null) - Number(x.misconception !== null))
    .slice(0, WRONG_ANSWERS);
}
