import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import type { OutcomeVerdict } from "@/core/grouping/reteachOutcome";
import { fullName } from "@/core/roster/fullName";
import { stateOfRun } from "@/core/work/stateOfRun";
import { peopleById } from "@/db/queries/people";
import type { ReteachStudentRow } from "@/db/queries/regroup";
import { comparedOfReteaches, type ReteachRow } from "@/db/queries/reteaches";
import { assignmentById, type RunRow, targetsWithSittings } from "@/db/queries/work";
import type { ClassroomStudent } from "@/server/classroom/classroom";
import type { Context } from "@/server/runtime/context";
import { dayWords } from "@/words/staff/dayWords";
import { evidenceWords } from "@/words/staff/groupWords";
import { runWords } from "@/words/staff/runWords";
import type { Chip, EarlierRound, GroupView, MemberView, RoundView } from "../types";
import { nextRound } from "./nextRound";
import { needCell } from "./suggest/needCells";
import { type TheGroup, theGroup } from "./theGroup";
import { triedViews } from "./tried";

/** One group: who is in it and why, how the last round went for whom, and what comes next. */
export const groupView = async (context: Context, groupId: string): Promise<GroupView> =>
  viewOf(context, await theGroup(context, groupId));

/** The same of a group that is read already. */
export async function viewOf(context: Context, found: TheGroup): Promise<GroupView> {
  const { group, skill, round, classroom } = found;
  const members = await membersOf(context, found);
  const { calendar, timeZone } = classroom.school;
  const tried = await triedViews(context, found);
  return {
    id: group.id,
    name: group.name,
    because: group.because,
    classId: group.classId,
    skillId: skill.id,
    skillName: skill.name,
    grade: skill.grade,
    members,
    round: round ? await roundOf(context, round, timeZone, found) : null,
    earlier: await earlierRounds(context, found),
    outcome: round ? outcomeOf(members) : null,
    next: await nextRound(context, found, members, tried),
    tried,
    slots: group.slots,
    today: classroom.today,
    practiceDue: addSchoolDays(classroom.today, 2, calendar),
    checkOpens: addSchoolDays(classroom.today, 1, calendar),
    checkDue: addSchoolDays(classroom.today, 4, calendar),
  };
}

async function membersOf({ runtime }: Context, of: TheGroup): Promise<MemberView[]> {
  const { round, skill } = of;
  const runs = round ? await targetsWithSittings(runtime.db.read, [round.practiceId, round.checkId]) : [];
  const check = round ? await assignmentById(runtime.db.read, round.checkId) : null;
  return of.classroom.students.map((student): MemberView => {
    const own = of.taught.find(({ personId, reteachId }) => personId === student.id && reteachId === round?.id);
    const runOf = (assignmentId: string | undefined) =>
      runs.find(({ target, person }) => target.assignmentId === assignmentId && person.id === student.id)?.sitting ??
      null;
    const checked = runOf(round?.checkId);
    const chip = chipOf(student, of);
    return {
      ...chip,
      left: of.leftIds.has(student.id),
      explains: of.explains.has(student.id),
      taught: own !== undefined,
      there: own?.there ?? null,
      chanceBefore: own?.chanceBefore ?? null,
      // What was judged stands: the chance fades afterwards, the outcome does not.
      chanceAfter: own?.chanceAfter ?? chip.chance,
      check: own?.judgedDay
        ? { right: own.checkRight ?? 0, answered: own.checkItems ?? 0, of: own.checkItems ?? 0 }
        : own && checked && check
          ? { right: checked.itemsRight, answered: checked.itemsDone, of: check.settings.items }
          : null,
      practice: own && round ? practiceWords(runOf(round.practiceId)) : null,
      verdict: own ? (own.verdict ?? "check-open") : null,
      misconceptions: of.signs
        .filter((sign) => sign.personId === student.id && sign.skillId === skill.id)
        .map((sign) => ({ name: of.library.misconceptionName(sign.misconceptionId), times: sign.times })),
    };
  });
}

function chipOf(student: ClassroomStudent, { skill, signs, library }: TheGroup): Chip {
  const cell = needCell(student, skill, signs);
  const mistake = cell.misconceptionId === null ? null : library.misconceptionName(cell.misconceptionId);
  const { chance, level, tooLittle } = cell;
  return {
    id: student.id,
    name: student.shortName,
    chance,
    level,
    tooLittle,
    evidence: evidenceWords({ ...cell, mistake }),
  };
}

function practiceWords(run: RunRow | null): string {
  const state = stateOfRun(run);
  return run && state === "working" ? `${run.itemsDone} items` : runWords(state);
}

async function roundOf(
  { runtime }: Context,
  row: ReteachRow,
  timeZone: string,
  { library }: TheGroup,
): Promise<RoundView> {
  const db = runtime.db.read;
  const compared = await comparedOfReteaches(db, [row.id]);
  const [by] = row.byId === null ? [] : await peopleById(db, [row.byId]);
  return {
    id: row.id,
    approach: row.approach,
    lowerName: row.lowerSkillId === null ? null : (library.skillIfKnown(row.lowerSkillId)?.name ?? null),
    minutes: row.minutes,
    practiceWorkId: row.practiceId,
    checkWorkId: row.checkId,
    when: format(new TZDate(row.createdAt, timeZone), "EEE d MMM"),
    by: by ? fullName(by) : null,
    judgedDay: row.judgedDay === null ? null : dayWords(row.judgedDay),
    worked: row.worked,
    figures: row.figures,
    compared: { done: compared.filter(({ judgedDay }) => judgedDay !== null).length, of: compared.length },
  };
}

/** Rounds before the one that is shown, on whichever skill: what came of them stays. */
async function earlierRounds(
  { runtime }: Context,
  { rounds, round, taught, library }: TheGroup,
): Promise<EarlierRound[]> {
  const others = rounds.filter(({ id }) => id !== round?.id);
  const people = await peopleById(
    runtime.db.read,
    others.flatMap(({ byId }) => byId ?? []),
  );
  return others.map((row) => {
    const own = taught.filter(({ reteachId }) => reteachId === row.id);
    const by = people.find(({ id }) => id === row.byId);
    const count = (verdict: ReteachStudentRow["verdict"]) => own.filter((one) => one.verdict === verdict).length;
    return {
      id: row.id,
      approach: row.approach,
      when: dayWords(row.assignedDay),
      by: by ? fullName(by) : null,
      worked: row.worked,
      skillName: library.skillIfKnown(row.skillId)?.name ?? "",
      learned: count("learned"),
      closer: count("closer"),
      again: count("round-again"),
      open: count(null),
    };
  });
}

function outcomeOf(members: readonly MemberView[]): GroupView["outcome"] {
  const taught = members.filter((member) => member.taught && member.there !== false);
  const count = (verdict: OutcomeVerdict) => taught.filter((member) => member.verdict === verdict).length;
  const mean = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
  return {
    learned: count("learned"),
    closer: count("closer"),
    again: count("round-again"),
    open: count("check-open"),
    away: members.filter(({ there }) => there === false).length,
    meanBefore: mean(taught.map(({ chanceBefore }) => chanceBefore ?? 0)),
    meanAfter: mean(taught.map(({ chanceAfter }) => chanceAfter)),
    students: taught.length,
  };
}
