import "server-only";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { groupBy } from "@/core/collections/groupBy";
import { alphaInterval } from "@/core/measurement/alphaInterval";
import type { ItemAnalysis } from "@/core/measurement/itemAnalysis";
import { wilson } from "@/core/measurement/wilson";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { classesById } from "@/db/queries/people";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { classSubjects } from "@/server/access/subjects";
import { loadClassroom } from "@/server/classroom/classroom";
import { type Library, libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { dayAt, instantInWords, schoolOf } from "@/server/runtime/school";
import type { PieceItem, PieceStandard, PieceView } from "../../pieceTypes";
import type { ReportFrame } from "../frame";
import { type FirstTry, pieceData } from "./pieceData";
import { itemsOfPiece } from "./pieceItems";
import { studentsOfPiece } from "./pieceStudents";

/** Where nobody set a cut, the line to read a test by. */
const USUAL_LINE = 70;
const LEVEL = 0.95;
/** School days until work is due that follows from a report. */
const USUAL_SCHOOL_DAYS = 3;
/** An interval of alpha needs two of each. */
const LEAST = 2;

/** How one piece of work went, in the order in which it is read. */
export async function pieceReport(
  context: Context,
  assignmentId: string,
  { frame, partId = null }: { readonly frame: ReportFrame; readonly partId?: string | null },
): Promise<PieceView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const all = await pieceData(context, assignmentId, { partId, frame });
  const about = frame.params.about === null ? null : new Set(frame.skills.map(({ id }) => id));
  const data = about === null ? all : { ...all, tries: all.tries.filter(({ skillId }) => about.has(skillId)) };
  const { work, part, parts } = data;
  const [school, library, [own], classroom, subjects] = await Promise.all([
    schoolOf(runtime, staff.schoolId),
    libraryOf(runtime),
    classesById(runtime.db.read, [work.classId]),
    loadClassroom(runtime, staff.schoolId, [work.classId]),
    classSubjects(runtime.db.read, staff, [work.classId]),
  ]);
  const now = runtime.now();
  const { items, openers, analysis } = itemsOfPiece(data, library);
  const titleOf = (title: string, place: number) => title || (parts.length > 1 ? `Part ${place + 1}` : work.title);
  return {
    id: work.id,
    workTitle: work.title,
    className: own?.name ?? "",
    kind: part.kind,
    isTest: conductorOf(part.kind).standsWhole,
    given: instantInWords(school, work.givenAt, "EEE d MMM"),
    due: work.dueAt === null ? null : instantInWords(school, work.dueAt, "EEE d MMM, HH:mm"),
    part: { id: part.id, name: titleOf(part.title, part.place) },
    parts: parts.map(({ id, title }, place) => ({ id, name: titleOf(title, place) })),
    cutPercent: work.cutPercent,
    line: work.cutPercent ?? USUAL_LINE,
    students: studentsOfPiece(data, { now, library, classroom }),
    standards: standardsOf(data.tries, library, staff.schoolId),
    items,
    sameItems: data.isPlaced,
    openers,
    leadSkillId: mostMissed(items),
    reliability: analysis ? reliabilityOf(analysis) : null,
    hidden: data.hidden,
    mayChange: subjects.every((subject) => may(staff, "change", subject)),
    dueDay: addSchoolDays(dayAt(school, now), USUAL_SCHOOL_DAYS, school.calendar),
  };
}

/** The skill of the item that most students missed. */
const mostMissed = (items: readonly PieceItem[]): string | null =>
  [...items].sort((x, y) => y.missedIds.length - x.missedIds.length)[0]?.skillId ?? null;

function reliabilityOf(analysis: ItemAnalysis): NonNullable<PieceView["reliability"]> {
  const { alpha, noAlpha, sem, complete, few, items } = analysis;
  const interval =
    alpha === null || complete < LEAST || items.length < LEAST
      ? null
      : alphaInterval(alpha, complete, items.length, LEVEL);
  return {
    alpha,
    low: interval?.low ?? null,
    high: interval?.high ?? null,
    noAlpha,
    sem: sem === null || items.length === 0 ? null : (100 * sem) / items.length,
    complete,
    few,
  };
}

/** First tries by standards of the framework that the school follows; skills without any stand for themselves. */
function standardsOf(tries: readonly FirstTry[], library: Library, schoolId: string): PieceStandard[] {
  const skills = new Map(library.skillsAt(schoolId).map((skill) => [skill.id, skill]));
  const counted = tries.filter(({ counts }) => counts);
  const each = counted.flatMap((one) => {
    const skill = skills.get(one.skillId);
    const standards = skill?.standards ?? [];
    const none = [{ id: one.skillId, code: "", statement: skill?.name ?? "" }];
    return (standards.length > 0 ? standards : none).map((standard) => ({ standard, one }));
  });
  return [...groupBy(each, ({ standard }) => standard.id)].map(([id, own]) => {
    const right = own.filter(({ one }) => one.right);
    const some = new Set(right.map(({ one }) => one.personId));
    const [{ standard }] = own as [(typeof own)[number]];
    return {
      id,
      code: standard.code,
      words: standard.statement,
      items: new Set(own.map(({ one }) => one.key)).size,
      skillId: own[0]?.one.skillId ?? "",
      right: wilson(right.length, own.length, LEVEL),
      noneRight: [...new Set(own.map(({ one }) => one.personId))].filter((personId) => !some.has(personId)),
    };
  });
}
