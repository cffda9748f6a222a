import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { givenWords } from "@/core/answers/givenWords";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { dayWords } from "@/core/calendar/dayWords";
import { type OutcomeVerdict, reteachOutcome } from "@/core/grouping/reteachOutcome";
import { answersBehindCell } from "@/db/queries/answerLog";
import { classesById } from "@/db/queries/people";
import {
  baselinesOf,
  groupById,
  groupsById,
  groupsOfClasses,
  membersOfGroups,
  reteachesOfGroups,
} from "@/db/queries/regroup";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import { targetsWithSittings, workById, worksById } from "@/db/queries/work";
import { demand } from "@/server/access/demand";
import { classesOfMembers, loadClassroom } from "@/server/classroom/classroom";
import type { Context } from "@/server/runtime/context";
import { libraryOf } from "@/server/runtime/library";
import { Refusal } from "@/server/runtime/refusal";
import { chipOf, suggestGroups } from "../suggestions";
import type { GroupListEntry, GroupView, Limits, MemberView, Suggestions } from "../types";

/** Wrong answers shown on a reteach plan. */
const WRONG_ANSWERS = 6;

export async function suggestions(context: Context, classIds: readonly string[], limits: Limits): Promise<Suggestions> {
  for (const classId of classIds) demand(context.actor, "see", { kind: "class", classId });
  const { runtime, actor } = context;
  const [classroom, library] = [await loadClassroom(runtime, actor.schoolId, classIds), await libraryOf(runtime)];
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
  const { runtime } = context;
  const groups = await groupsAround(context, classIds);
  const ids = groups.map(({ id }) => id);
  const [members, reteaches, library, classes] = [
    await membersOfGroups(runtime.db.read, ids),
    await reteachesOfGroups(runtime.db.read, ids),
    await libraryOf(runtime),
    await classesById(
      runtime.db.read,
      groups.map(({ classId }) => classId),
    ),
  ];
  const checks = await worksById(
    runtime.db.read,
    reteaches.map(({ checkWorkId }) => checkWorkId),
  );
  const sittings = await targetsWithSittings(
    runtime.db.read,
    reteaches.flatMap(({ practiceWorkId, checkWorkId }) => [practiceWorkId, checkWorkId]),
  );
  return groups.map((group) => {
    const own = members.filter(({ groupId }) => groupId === group.id);
    const reteach = reteaches.find(({ groupId }) => groupId === group.id);
    const finished = (workId: string) =>
      sittings.filter(({ target, sitting }) => target.workId === workId && sitting?.finishedAt != null).length;
    const [practised, checked] = reteach ? [finished(reteach.practiceWorkId), finished(reteach.checkWorkId)] : [0, 0];
    const check = checks.find(({ id }) => id === reteach?.checkWorkId);
    const open = check !== undefined && check.opensAt <= runtime.now();
    const stage = !reteach
      ? group.skillId === null
        ? "standing"
        : "plan"
      : checked >= own.length
        ? "result"
        : practised < own.length && !open
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
      members: own.map(({ person }) => `${person.givenName} ${person.familyName.slice(0, 1)}`),
      stage,
      stageText: {
        standing: group.untilDay === null ? "no end set" : `until ${dayWords(group.untilDay)}`,
        plan: "nothing assigned yet",
        practice: `practice: ${practised} of ${own.length} finished`,
        waiting: `practised; the check opens ${check ? format(check.opensAt, "EEE d MMM") : "later"}`,
        check: `check: ${checked} of ${own.length} handed in`,
        result: "checked: see the result",
      }[stage],
    };
  });
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
  const people = (await membersOfGroups(db, [groupId])).map(({ person }) => person);
  const memberIds = people.map(({ id }) => id);
  const [classroom, library] = [
    await loadClassroom(
      runtime,
      actor.schoolId,
      await classesOfMembers(runtime, { classId: group.classId, schoolId: actor.schoolId }, memberIds),
    ),
    await libraryOf(runtime),
  ];
  const skill = library.skill(group.skillId);
  const signs = await misconceptionSignsOf(db, memberIds);
  const [reteach] = await reteachesOfGroups(db, [groupId]);
  const baselines = new Map(
    (reteach ? await baselinesOf(db, [reteach.id]) : []).map(({ personId, chance }) => [personId, chance]),
  );
  const runs = reteach ? await targetsWithSittings(db, [reteach.practiceWorkId, reteach.checkWorkId]) : [];
  const check = reteach ? await workById(db, reteach.checkWorkId) : null;
  const members = memberIds.flatMap((id): MemberView[] => {
    const student = classroom.students.find((candidate) => candidate.id === id);
    if (!student) return [];
    const chanceBefore = baselines.get(id) ?? null;
    const runOf = (workId: string | undefined) =>
      runs.find(({ target, person }) => target.workId === workId && person.id === id)?.sitting ?? null;
    const [practised, checked] = [runOf(reteach?.practiceWorkId), runOf(reteach?.checkWorkId)];
    const result =
      checked && check ? { right: checked.itemsRight, answered: checked.itemsDone, of: check.budgetItems } : null;
    const chanceNow = student.gauges.get(skill.id)?.chance ?? 0;
    return [
      {
        ...chipOf(student, skill.id, library, signs),
        chanceBefore,
        check: result,
        practice: !reteach
          ? null
          : !practised
            ? "not started"
            : practised.finishReason === "mastered"
              ? "mastered"
              : practised.finishReason
                ? "finished"
                : `${practised.itemsDone} items`,
        verdict: chanceBefore === null ? null : reteachOutcome({ chanceBefore, chanceNow, check: result }),
        misconceptions: signs
          .filter((sign) => sign.personId === id && sign.skillId === skill.id)
          .map((sign) => ({ name: library.misconceptions.get(sign.misconceptionId)?.name ?? "", times: sign.times })),
      },
    ];
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
    wrongAnswers: await wrongAnswersOf(context, people, skill.id),
  };
}

function outcomeOf(members: readonly MemberView[]): GroupView["outcome"] {
  const count = (verdict: OutcomeVerdict) => members.filter((member) => member.verdict === verdict).length;
  const mean = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
  return {
    learned: count("learned"),
    closer: count("closer"),
    again: count("round-again"),
    open: count("check-open"),
    meanBefore: mean(members.map(({ chanceBefore }) => chanceBefore ?? 0)),
    meanNow: mean(members.map(({ chance }) => chance)),
  };
}

/** The members' own latest wrong answers in the skill, those with a known misconception first. */
async function wrongAnswersOf(
  context: Context,
  people: readonly { readonly id: string; readonly givenName: string }[],
  skillId: string,
): Promise<GroupView["wrongAnswers"]> {
  const library = await libraryOf(context.runtime);
  const { read } = context.runtime.db;
  const found = [];
  for (const { id: personId, givenName } of people) {
    const wrong = (await answersBehindCell(read, personId, skillId, 20)).filter(
      (row) => !row.right && row.tryNumber === 1,
    );
    const row = wrong.find(({ misconceptionId }) => misconceptionId !== null) ?? wrong[0];
    if (!row) continue;
    const item = library.itemIfKnown(row.modelId, row.modelVersion, row.seed, row.context);
    if (!item) continue;
    found.push({
      name: givenName,
      stem: item.stem,
      given: givenWords(item, row.raw),
      answer: item.keyText,
      misconception: row.misconceptionId ? (library.misconceptions.get(row.misconceptionId)?.name ?? null) : null,
    });
  }
  return found
    .sort((x, y) => Number(y.misconception !== null) - Number(x.misconception !== null))
    .slice(0, WRONG_ANSWERS);
}
