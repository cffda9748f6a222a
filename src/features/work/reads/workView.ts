import "server-only";
import { formatDistance } from "date-fns";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { dayNumber } from "@/core/calendar/dayNumber";
import { groupBy } from "@/core/collections/groupBy";
import { roomOf } from "@/core/items/rooms";
import { percentDown } from "@/core/measurement/percentDown";
import { reachesCut } from "@/core/measurement/reachesCut";
import { type Rational, rational } from "@/core/numeric/rational";
import { whyMastery } from "@/core/why/whyMastery";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { LEARNED_KINDS } from "@/core/work/conductors/learnedKinds";
import { stateOfRun } from "@/core/work/stateOfRun";
import { windowFor } from "@/core/work/workWindow";
import { lateAnswersOf } from "@/db/queries/answerLog";
import { commentsOn } from "@/db/queries/live";
import { studentsOfClasses } from "@/db/queries/people";
import { versionsGivenIn, waitingIn } from "@/db/queries/ratings";
import {
  assignmentById,
  type GivenWork,
  partsOfWorks,
  pickedItemsOf,
  type RunRow,
  releasesOf,
  skillIdsOfAssignments,
  type TargetRow,
  targetsWithSittings,
  workById,
} from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import { loadClassroom } from "@/server/classroom/classroom";
import { joinedSince } from "@/server/classroom/joinedSince";
import { shortNames } from "@/server/classroom/names";
import { markedPart, partsOfTargets } from "@/server/classroom/partsOfTargets";
import { namedSnags } from "@/server/classroom/snags";
import { versionsOf } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantInWords, type School, schoolOf } from "@/server/runtime/school";
import type { GainView, WorkListEntry, WorkRowView, WorkView } from "../types";
import { gainOfPair } from "./gainOfPair";
import { outcomeOf, strandColumns } from "./outcomes";
import { entriesOf } from "./works";

/** School days that those have who come later. */
const USUAL_SCHOOL_DAYS = 3;
/** Somebody counts as working now when the last answer is this fresh. */
const NOW_MILLISECONDS = 5 * 60_000;

/** The mark in whole per cent: of a test once it is handed in, over all tries, of other work where it is not simply what was right of what was done. */
function markOf(
  { mark, itemsRight, itemsDone }: RunRow,
  waiting: number,
  whole: { readonly mark: Rational | null } | null,
): number | null {
  if (whole !== null)
    return whole.mark === null || (itemsDone > 0 && itemsDone <= waiting) ? null : percentDown(whole.mark);
  if (mark === null || itemsDone <= waiting) return null;
  const exact = rational(mark);
  return exact.equals(rational(itemsRight, itemsDone - waiting)) ? null : percentDown(exact);
}

/** One piece of work as it was given: who is where with which part, and what can still be changed. */
export async function workView(context: Context, assignmentId: string): Promise<WorkView> {
  const { runtime, actor } = context;
  const work = await assignmentById(runtime.db.read, assignmentId);
  if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  const sees = await demandWork(context, "see", work);
  const [entry] = await entriesOf(context, [work]);
  const school = await schoolOf(runtime, actor.schoolId);
  const targets = (await targetsWithSittings(runtime.db.read, [assignmentId])).filter(({ person }) => sees(person.id));
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
  const own = await partsOfTargets(
    runtime.db.read,
    work,
    targets.map(({ target }) => target.id),
    now,
  );
  const markedOf = ({ id }: TargetRow) => markedPart(own.get(id) ?? []);
  const parts = await partsOfWorks(runtime.db.read, [work.workId]);
  const design = await workById(runtime.db.read, work.workId);
  const gained = gainOfPair(parts, own);
  const comments = groupBy(await commentsOn(runtime.db.read, assignmentId), ({ personId }) => personId);
  const placed = (await Promise.all(parts.map(({ id }) => pickedItemsOf(runtime.db.read, id, null)))).flat();
  const isWhole = conductorOf(work.kind).standsWhole;
  const isLearnedFrom = parts.some(({ kind }) => LEARNED_KINDS.includes(kind));
  return {
    ...(entry as WorkListEntry),
    joined: (
      (await joinedSince(runtime.db.read, school, [work], { now, viewerId: actor.personId })).get(work.id) ?? []
    ).map(({ id }) => ({ id, name: names.get(id) ?? "" })),
    usualDueDay: addSchoolDays(dayAt(school, now), USUAL_SCHOOL_DAYS, school.calendar),
    parts: parts.map((part, place) => ({
      id: part.id,
      title: part.title || `Part ${place + 1}`,
      kind: part.kind,
      isTest: conductorOf(part.kind).standsWhole,
      onPaper: conductorOf(part.kind).onPaper,
      waitsForWord: part.opening.some(({ by }) => by === "word"),
    })),
    gain: withoutStudents(gained),
    strands:
      parts.length === 1 && parts[0] && !LEARNED_KINDS.includes(parts[0].kind) ? strandColumns(library, parts[0]) : [],
    released: (await releasesOf(runtime.db.read, [assignmentId])).map(({ what }) => what),
    release: work.release,
    cutPercent: work.cutPercent,
    closes: work.closesAt === null ? null : instantInWords(school, work.closesAt, "EEE d MMM, HH:mm"),
    onlyAtSchool: work.onlyAtSchool,
    unlockCode: work.unlockCode,
    goesFirst: work.goesFirst,
    isPrepared: work.isPrepared,
    isKept: design?.ownerId === actor.personId ? design.keptAt !== null && design.archivedAt === null : null,
    forms: [...new Set(targets.map(({ target }) => target.form))].sort(),
    average: averageOf(
      targets.flatMap(({ target }) => (target.excusedAt === null ? (markedOf(target)?.mark ?? []) : [])),
    ),
    formCount: Math.max(1, new Set(placed.map(({ form }) => form)).size),
    retake: work.retake,
    classId: work.classId,
    instructions: work.instructions,
    opens: instantInWords(school, work.opensAt, "EEE d MMM, HH:mm"),
    dueDay: work.dueAt === null ? "" : dayAt(school, work.dueAt),
    items: work.settings.items,
    certainty: work.settings.certainty ?? "usual",
    rows: targets.map(
      ({ person, sitting, throughAt, target }): WorkRowView => ({
        late: sitting !== null && wasLate(work, target, sitting),
        granted: [
          ...grantedWords(target, school),
          ...(own.get(target.id)?.some(({ again }) => again) ? ["another try"] : []),
        ],
        absent: target.absentAt !== null,
        excused: target.excusedAt === null ? null : target.excusedBecause,
        form: target.form,
        gain: gained?.students.get(target.id) ?? null,
        tries: (markedOf(target)?.marks ?? []).map(percentDown),
        comments: (comments.get(person.id) ?? []).map(({ text }) => text),
        parts: (own.get(target.id) ?? []).map(({ part, run, standing, mark }) => ({
          state: standing.state === "open" && run ? "begun" : standing.state,
          markPercent: mark === null ? null : percentDown(mark),
          passed: conductorOf(part.kind).standsWhole ? passedOf(work, mark) : null,
          outcome: outcomeOf(library, run),
        })),
        passed: passedOf(work, markedOf(target)?.mark ?? null),
        studentId: person.id,
        name: names.get(person.id) ?? "",
        // Between two parts somebody is at work still.
        status: stateOfRun(sitting && throughAt === null ? { finishReason: null } : sitting, {
          // Whoever is only measured is not held up in it.
          isStuck: isLearnedFrom && snagsOf.has(person.id),
        }),
        snags: (isLearnedFrom ? (snagsOf.get(person.id) ?? []) : []).map(({ name: skill, why }) => ({ skill, why })),
        open: sitting?.finishReason === "budget" ? openOf(person.id) : [],
        progress: (sitting?.progressPermille ?? 0) / 1000,
        itemsDone: sitting?.itemsDone ?? 0,
        itemsRight: sitting?.itemsRight ?? 0,
        markPercent: sitting
          ? markOf(sitting, waiting.get(person.id) ?? 0, isWhole ? { mark: markedOf(target)?.mark ?? null } : null)
          : null,
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
    leftOut: enrolled
      .filter(({ person, fromDay }) => !given.has(person.id) && fromDay <= dayAt(school, work.givenAt))
      .map(({ person }) => names.get(person.id) ?? ""),
  };
}

/** The mean of the marks that count at the first part, exact before it is shown; whoever is excused, absent or has none is not in it. */
const averageOf = (marks: readonly Rational[]): WorkView["average"] =>
  marks.length === 0
    ? null
    : {
        percent: percentDown(marks.reduce((sum, mark) => sum.add(mark), rational(0)).div(marks.length)),
        students: marks.length,
      };

/** A page needs no map: each row has its own. */
function withoutStudents(gained: GainView | null): WorkView["gain"] {
  if (gained === null) return null;
  const { students: _students, ...rest } = gained;
  return rest;
}

/** Whether what came in came after the due time. */
function wasLate(work: GivenWork, target: TargetRow, { lastAt, itemsDone }: RunRow): boolean {
  const { dueAt } = windowFor(work, target);
  return dueAt !== null && itemsDone > 0 && lastAt > dueAt;
}

/** Whether a finished mark reaches the cut; compared exactly. */
const passedOf = ({ cutPercent }: GivenWork, mark: Rational | null): boolean | null =>
  cutPercent === null || mark === null ? null : reachesCut(mark, cutPercent);

function grantedWords({ extraItems, extraMinutes, dueAt, reopenedUntil }: TargetRow, school: School): string[] {
  return [
    ...(extraItems > 0 ? [`${extraItems} more items`] : []),
    ...(extraMinutes > 0 ? [`${extraMinutes} more minutes`] : []),
    ...(dueAt === null ? [] : [`due ${instantInWords(school, dueAt, "d MMM")}`]),
    ...(reopenedUntil === null ? [] : [`open again until ${instantInWords(school, reopenedUntil, "d MMM")}`]),
  ];
}

/** Whether some of what was given is scored by a person. */
async function hasWrittenAnswers(runtime: Context["runtime"], assignmentId: string): Promise<boolean> {
  const versions = await versionsOf(runtime, await versionsGivenIn(runtime.db.read, assignmentId));
  return [...versions.values()].some(({ body }) => body.parts.some(({ kind }) => roomOf(kind).rubric !== undefined));
}
