import "server-only";
import { TZDate } from "@date-fns/tz";
import { format, formatDistance } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { groupBy } from "@/core/collections/groupBy";
import { roomOf } from "@/core/items/rooms";
import { rational } from "@/core/numeric/rational";
import { whyMastery } from "@/core/why/whyMastery";
import { isOver } from "@/core/work/isOver";
import { stateOfRun } from "@/core/work/stateOfRun";
import { lateAnswersOf } from "@/db/queries/answerLog";
import { workCounts } from "@/db/queries/figures";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { versionsGivenIn, waitingIn } from "@/db/queries/ratings";
import {
  assignmentById,
  assignmentsOfClasses,
  type GivenWork,
  type RunRow,
  skillIdsOfAssignments,
  targetsWithSittings,
} from "@/db/queries/work";
import { demandClasses } from "@/server/access/subjects";
import { loadClassroom } from "@/server/classroom/classroom";
import { shortNames } from "@/server/classroom/names";
import { namedSnags } from "@/server/classroom/snags";
import { versionsOf } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, type School, schoolOf } from "@/server/runtime/school";
import type { WorkListEntry, WorkRowView, WorkView } from "../types";

/** Somebody counts as working now when the last answer is this fresh. */
const NOW_MILLISECONDS = 5 * 60_000;

/** The mark where it is not simply what was right of what was done: scores round down. */
function partialMark({ mark, itemsRight, itemsDone }: RunRow, waiting: number): number | null {
  if (mark === null || itemsDone <= waiting) return null;
  const exact = rational(mark);
  return exact.equals(rational(itemsRight, itemsDone - waiting)) ? null : Math.floor(exact.mul(100).valueOf());
}

export async function workList(context: Context, classIds: readonly string[]): Promise<WorkListEntry[]> {
  await demandClasses(context, "see", classIds);
  const works = await assignmentsOfClasses(context.runtime.db.read, classIds);
  return entriesOf(context, works);
}

async function entriesOf(context: Context, works: readonly GivenWork[]): Promise<WorkListEntry[]> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const ids = works.map(({ id }) => id);
  const [counts, skillIds, library, school, classes] = await Promise.all([
    workCounts(db, ids),
    skillIdsOfAssignments(db, ids),
    libraryOf(runtime),
    schoolOf(runtime, actor.schoolId),
    classesById(
      db,
      works.map(({ classId }) => classId),
    ),
  ]);
  const now = runtime.now();
  const coded = new Map(
    library.skillsAt(actor.schoolId).map(({ id, name, standards: [standard] }) => {
      return [id, standard?.code ? `${name} (${standard.code})` : name] as const;
    }),
  );
  return works.map((work) => ({
    id: work.id,
    title: work.title,
    kind: work.kind,
    className: classes.find(({ id }) => id === work.classId)?.name ?? "",
    skills: (skillIds.get(work.id) ?? []).map((id) => coded.get(id) ?? library.skill(id).name),
    due: work.dueAt === null ? null : atSchool(school, work.dueAt, "EEE d MMM, HH:mm"),
    state: isOver(work.dueAt, now) ? "over" : now < work.opensAt ? "later" : "open",
    ...(counts.get(work.id) ?? NOBODY),
  }));
}

const NOBODY = { given: 0, notStarted: 0, working: 0, stuck: 0, finished: 0 };

export async function workView(context: Context, assignmentId: string): Promise<WorkView> {
  const { runtime, actor } = context;
  const work = await assignmentById(runtime.db.read, assignmentId);
  if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  await demandClasses(context, "see", [work.classId]);
  const [entry] = await entriesOf(context, [work]);
  const school = await schoolOf(runtime, actor.schoolId);
  const targets = await targetsWithSittings(runtime.db.read, [assignmentId]);
  const given = new Set(targets.map(({ person }) => person.id));
  const enrolled = await studentsOfClasses(runtime.db.read, [work.classId], dayAt(school, runtime.now()));
  const skillIds = (await skillIdsOfAssignments(runtime.db.read, [assignmentId])).get(assignmentId) ?? [];
  const library = await libraryOf(runtime);
  const names = shortNames([...targets, ...enrolled].map(({ person }) => person));
  const late = await lateAnswersOf(runtime.db.read, assignmentId);
  const waiting = await waitingIn(runtime.db.read, assignmentId);
  const isRead = await hasWrittenAnswers(runtime, assignmentId);
  const now = runtime.now();
  const today = dayNumber(dayAt(school, now));
  const snags = (await namedSnags(runtime, [...given], today)).filter(({ skillId }) => skillIds.includes(skillId));
  const snagsOf = groupBy(snags, ({ personId }) => personId);
  const { students } = await loadClassroom(runtime, actor.schoolId, [work.classId]);
  const gaugesOf = new Map(students.map(({ id, gauges }) => [id, gauges]));
  const openOf = (personId: string) =>
    skillIds.flatMap((skillId) => {
      const gauge = gaugesOf.get(personId)?.get(skillId);
      if (!gauge || gauge.mark === "now") return [];
      const percent = Math.floor(gauge.chance * 100);
      return [{ skill: library.skill(skillId).name, percent, why: whyMastery(gauge, today) }];
    });
  return {
    ...(entry as WorkListEntry),
    classId: work.classId,
    instructions: work.instructions,
    opens: atSchool(school, work.opensAt, "EEE d MMM, HH:mm"),
    dueDay: work.dueAt === null ? "" : dayAt(school, work.dueAt),
    items: work.settings.items,
    certainty: work.settings.certainty ?? "usual",
    rows: targets.map(
      ({ person, sitting, throughAt }): WorkRowView => ({
        studentId: person.id,
        name: names.get(person.id) ?? "",
        // Between two parts somebody is at work still.
        status: stateOfRun(sitting && throughAt === null ? { finishReason: null } : sitting, {
          isStuck: snagsOf.has(person.id),
        }),
        snags: (snagsOf.get(person.id) ?? []).map(({ name: skill, why }) => ({ skill, why })),
        open: sitting?.finishReason === "budget" ? openOf(person.id) : [],
        progress: (sitting?.progressPermille ?? 0) / 1000,
        itemsDone: sitting?.itemsDone ?? 0,
        itemsRight: sitting?.itemsRight ?? 0,
        markPercent: sitting ? partialMark(sitting, waiting.get(person.id) ?? 0) : null,
        toScore: waiting.get(person.id) ?? 0,
        tooLate: late.get(person.id) ?? 0,
        lastWorked: sitting ? formatDistance(sitting.lastAt, now, { addSuffix: true }) : null,
        now:
          sitting !== null &&
          sitting.finishedAt === null &&
          now - sitting.lastAt < NOW_MILLISECONDS &&
          sitting.itemsDone > 0,
      }),
    ),
    scoring: { waiting: [...waiting.values()].reduce((sum, own) => sum + own, 0), any: isRead },
    leftOut: enrolled.filter(({ person }) => !given.has(person.id)).map(({ person }) => names.get(person.id) ?? ""),
  };
}

/** Whether some of what was given is scored by a person. */
async function hasWrittenAnswers(runtime: Context["runtime"], assignmentId: string): Promise<boolean> {
  const versions = await versionsOf(runtime, await versionsGivenIn(runtime.db.read, assignmentId));
  return [...versions.values()].some(({ body }) => body.parts.some(({ kind }) => roomOf(kind).rubric !== undefined));
}

function atSchool(school: School, instant: number, pattern: string): string {
  return format(new TZDate(instant, school.timeZone), pattern);
}
