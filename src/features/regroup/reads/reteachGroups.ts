import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { givenWords } from "@/core/answers/givenWords";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { dayWords } from "@/core/calendar/dayWords";
import type { OutcomeVerdict } from "@/core/grouping/reteachOutcome";
import { tellingMisses } from "@/db/queries/answerLog";
import type { SittingRow } from "@/db/queries/delivery";
import { classesById, peopleById } from "@/db/queries/people";
import {
  groupById,
  groupsById,
  groupsOfClasses,
  membersOfGroups,
  reteachesOfGroups,
  studentsOfReteaches,
} from "@/db/queries/regroup";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import { targetsWithSittings, workById, worksById } from "@/db/queries/work";
import { demand } from "@/server/access/demand";
import { classesOfMembers, classroomOfSome, loadClassroom } from "@/server/classroom/classroom";
import { shortNames } from "@/server/classroom/names";
import type { Context } from "@/server/runtime/context";
import { libraryOf } from "@/server/runtime/library";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf } from "@/server/runtime/school";
import { chipOf, suggestGroups } from "../suggestions";
import type { GroupListEntry, GroupView, Limits, MemberView, Suggestions } from "../types";

/** Wrong answers shown on a reteach plan. */
const WRONG_ANSWERS = 6;

export async function suggestions(context: Context, classIds: readonly string[], limits: Limits): Promise<Suggestions> {
  for (const classId of classIds) demand(context.actor, "see", { kind: "class", classId });
  const { runtime, actor } = context;
  const classroom = await loadClassroom(runtime, actor.schoolId, classIds);
  const library = await libraryOf(runtime);
  const signs = await misconceptionSignsOf(
    runtime.db.read,
    classroom.students.map(({ id }) => id),
  );
  return suggestGroups(runtime, classroom, library, signs, limits);
}

/** Groups whose home is one of the classes, and those that the actor owns or shares, wherever their home is. */
async function groupsAround({ runtime, actor }: Context, classIds: readonly string[]) {
  const own = actor.kind === "staff" ? [...actor.groupTies.keys()] : [];
  const found = [...(await groupsOfClasses(runtime.db.read, classIds)), ...(await groupsById(runtime.db.read, own))];
  return [...new Map(found.map((group) => [group.id, group])).values()];
}

export async function groupList(context: Context, classIds: readonly string[]): Promise<GroupListEntry[]> {
  for (const classId of classIds) demand(context.actor, "see", { kind: "class", classId });
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const groups = await groupsAround(context, classIds);
  const ids = groups.map(({ id }) => id);
  const members = await membersOfGroups(db, ids);
  const latest = latestReteaches(groups, await reteachesOfGroups(db, ids));
  const reteaches = [...latest.values()];
  const [students, sittings, checks, classes, library, school] = await Promise.all([
    studentsOfReteaches(
      db,
      reteaches.map(({ id }) => id),
    ),
    targetsWithSittings(
      db,
      reteaches.map(({ practiceWorkId }) => practiceWorkId),
    ),
    worksById(
      db,
      reteaches.map(({ checkWorkId }) => checkWorkId),
    ),
    classesById(
      db,
      groups.map(({ classId }) => classId),
    ),
    libraryOf(runtime),
    schoolOf(runtime, actor.schoolId),
  ]);
  const names = shortNames(members.map(({ person }) => person));
  return groups.map((group) => {
    const own = members.filter(({ groupId }) => groupId === group.id);
    const reteach = latest.get(group.id);
    const present = new Set(own.map(({ person }) => person.id));
    const taught = students.filter(({ reteachId }) => reteachId === reteach?.id);
    // Whoever left before the check will never hand it in; whoever left afterwards counts as long as the others.
    const counted = taught.filter(({ personId, judgedDay }) => judgedDay !== null || present.has(personId));
    const checked = taught.filter(({ judgedDay }) => judgedDay !== null).length;
    const practised = sittings.filter(
      ({ target, sitting }) =>
        target.workId === reteach?.practiceWorkId &&
        sitting?.finishedAt != null &&
        counted.some(({ personId }) => personId === target.personId),
    ).length;
    const check = checks.find(({ id }) => id === reteach?.checkWorkId);
    const open = check !== undefined && check.opensAt <= runtime.now();
    const stage = !reteach
      ? group.skillId === null
        ? "standing"
        : "plan"
      : checked >= counted.length
        ? "result"
        : practised < counted.length && !open
          ? "practice"
          : open
            ? "check"
            : "waiting";
    return {
      id: group.id,
      name: group.name,
      label: group.label,
      skillName: group.skillId === null ? group.purpose || "no skill chosen" : library.skill(group.skillId).name,
      className: classes.find(({ id }) => id === group.classId)?.name ?? "",
      members: own.map(({ person }) => names.get(person.id) ?? ""),
      stage,
      stageText: {
        standing: group.untilDay === null ? "no end set" : `until ${dayWords(group.untilDay)}`,
        plan: "nothing assigned yet",
        practice: `practice: ${practised} of ${counted.length} finished`,
        waiting: `practised; the check opens ${check ? format(new TZDate(check.opensAt, school.timeZone), "EEE d MMM") : "later"}`,
        check: `check: ${checked} of ${counted.length} handed in`,
        result: "checked: see the result",
      }[stage],
    };
  });
}

/** Each group's latest reteach on the skill that it is for now. */
function latestReteaches<Reteach extends { readonly groupId: string; readonly skillId: string }>(
  groups: readonly { readonly id: string; readonly skillId: string | null }[],
  reteaches: readonly Reteach[],
): ReadonlyMap<string, Reteach> {
  return new Map(
    groups.flatMap(({ id, skillId }) => {
      const found = reteaches.find((reteach) => reteach.groupId === id && reteach.skillId === skillId);
      return found ? [[id, found] as const] : [];
    }),
  );
}

export async function regroupFigure(
  context: Context,
  classIds: readonly string[],
): Promise<{ text: string; attention: boolean }> {
  const groups = await groupList(context, classIds);
  const due = groups.filter(({ stage }) => stage === "check").length;
  const plan = groups.filter(({ stage }) => stage === "plan").length;
  const results = groups.filter(({ stage }) => stage === "result").length;
  const many = (n: number) => (n === 1 ? "1 group" : `${n} groups`);
  if (due > 0) return { text: `${many(due)} due a check`, attention: true };
  if (plan > 0) return { text: `${many(plan)} to plan`, attention: true };
  if (results > 0) return { text: `${many(results)} checked`, attention: false };
  return { text: groups.length === 0 ? "no groups yet" : many(groups.length), attention: false };
}

export async function groupView(context: Context, groupId: string): Promise<GroupView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const group = await groupById(db, groupId);
  if (!group || group.archivedAt !== null) throw new Refusal("not-found", "This group is not there, or was archived.");
  demand(actor, "see", { kind: "group", groupId, classId: group.classId });
  if (group.skillId === null) throw new Refusal("invalid", "This group is for no skill. Open it on the group board.");
  const present = (await membersOfGroups(db, [groupId])).map(({ person }) => person);
  const reteach = latestReteaches([group], await reteachesOfGroups(db, [groupId])).get(groupId);
  const taught = reteach ? await studentsOfReteaches(db, [reteach.id]) : [];
  // Those who left since are still part of what came of it.
  const left = await peopleById(
    db,
    taught.map(({ personId }) => personId).filter((id) => !present.some((person) => person.id === id)),
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
  const runs = reteach ? await targetsWithSittings(db, [reteach.practiceWorkId, reteach.checkWorkId]) : [];
  const check = reteach ? await workById(db, reteach.checkWorkId) : null;
  const members = classroom.students.map((student): MemberView => {
    const own = taught.find(({ personId }) => personId === student.id);
    const runOf = (workId: string | undefined) =>
      runs.find(({ target, person }) => target.workId === workId && person.id === student.id)?.sitting ?? null;
    const checked = runOf(reteach?.checkWorkId);
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
          ? { right: checked.itemsRight, answered: checked.itemsDone, of: check.budgetItems }
          : null,
      practice: reteach ? practiceWords(runOf(reteach.practiceWorkId)) : null,
      verdict: own ? (own.verdict ?? "check-open") : null,
      misconceptions: signs
        .filter((sign) => sign.personId === student.id && sign.skillId === skill.id)
        .map((sign) => ({ name: library.misconceptions.get(sign.misconceptionId)?.name ?? "", times: sign.times })),
    };
  });
  const { calendar } = classroom.school;
  return {
    id: group.id,
    name: group.name,
    because: group.because,
    classId: group.classId,
    skillId: skill.id,
    skillName: skill.name,
    grade: skill.grade,
    members,
    plan: skill.reteach,
    reteach: reteach
      ? {
          practiceWorkId: reteach.practiceWorkId,
          checkWorkId: reteach.checkWorkId,
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

function practiceWords(run: SittingRow | null): string {
  if (!run) return "not started";
  if (run.finishReason === "mastered") return "mastered";
  return run.finishReason ? "finished" : `${run.itemsDone} items`;
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
  return members
    .flatMap(({ id, name }) => {
      const row = rows.find(({ personId }) => personId === id);
      const item = row && library.itemIfKnown(row.modelId, row.modelVersion, row.seed, row.context);
      if (!row || !item) return [];
      const misconception = row.misconceptionId ? library.misconceptions.get(row.misconceptionId) : undefined;
      return [
        {
          name,
          stem: item.stem,
          given: givenWords(item, row.raw),
          answer: item.keyText,
          misconception: misconception?.name ?? null,
        },
      ];
    })
    .sort((x, y) => Number(y.misconception !== null) - Number(x.misconception !== null))
    .slice(0, WRONG_ANSWERS);
}
