import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import type { DrawnItem } from "@/core/items/drawItem";
import { LEVEL_CUTS } from "@/core/model/levels";
import { latestShowing } from "@/db/queries/answerLog";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import { talksOf } from "@/db/queries/talks";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import { versionsOf } from "@/server/library/drawnItems";
import { faceOf } from "@/server/library/faceOf";
import { libraryOf } from "@/server/library/library";
import { passagesOf } from "@/server/library/passages";
import { shownAnswers } from "@/server/library/shownAnswers";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantInWords, schoolOf } from "@/server/runtime/school";
import type { Search } from "../frame/frameParams";
import type { TalkStudent, TalkSubject, TalkView } from "../talkTypes";
import { pieceData } from "./piece/pieceData";

/** A student concerned with the item as they saw it, before it is known what was noted. */
interface Concerned extends Omit<TalkStudent, "noted" | "before" | "faceKey"> {
  readonly item: DrawnItem | null;
}

interface Concern extends Pick<TalkView, "title" | "skill" | "explanation" | "others" | "back"> {
  readonly subject: TalkSubject;
  readonly students: readonly Concerned[];
}

const text = (value: Search[string]): string => (typeof value === "string" ? value : "");

/** The students concerned by an item or a mistake, each with the item as they saw it and their own answer. */
export async function talkView(context: Context, classIds: readonly string[], search: Search): Promise<TalkView> {
  const staff = demandStaff(context.actor);
  await demandClasses(context, "see", classIds);
  const only = text(search.only).split(",").filter(Boolean);
  const concern =
    text(search.work) !== ""
      ? await aboutItem(context, { work: text(search.work), item: text(search.item), part: text(search.part) }, only)
      : await aboutMistake(context, classIds, { skill: text(search.skill), mistake: text(search.mistake) }, only);
  const { runtime } = context;
  const drawn = concern.students.flatMap(({ item }) => item ?? []);
  const versions = await versionsOf(
    runtime,
    drawn.map(({ versionId }) => versionId),
  );
  const passages = await passagesOf(runtime, versions.values());
  const faces = new Map(
    drawn.map((item) => {
      const key = faceKey(item);
      const face = faceOf(item, passages.get(versions.get(item.versionId)?.passageId ?? "") ?? null);
      const answer = item.parts.map(({ keyText }) => keyText).join("; ");
      return [key, { key, face, answer, solution: item.solution }] as const;
    }),
  );
  const school = await schoolOf(runtime, staff.schoolId);
  const today = dayAt(school, runtime.now());
  const talks = groupBy(
    await talksOf(
      runtime.db.read,
      concern.students.map(({ id }) => id),
    ),
    ({ note }) => note.personId,
  );
  return {
    ...concern,
    faces: [...faces.values()],
    students: concern.students.map(({ item, ...student }): TalkStudent => {
      const own = (talks.get(student.id) ?? []).map(({ note }) => note);
      const isThis = (note: (typeof own)[number]) =>
        dayAt(school, note.at) === today && sameSubject(note, concern.subject);
      const before = groupBy(
        own.filter((note) => !isThis(note)),
        ({ reason }) => reason,
      );
      return {
        ...student,
        faceKey: item ? faceKey(item) : "",
        noted: own.find(isThis)?.reason ?? null,
        before: [...before].map(([reason, notes]) => ({ reason, times: notes.length })),
      };
    }),
  };
}

const faceKey = ({ versionId, seed, context }: DrawnItem) => `${versionId}~${seed}~${context}`;

const sameSubject = (one: TalkSubject, other: TalkSubject): boolean =>
  one.skillId === other.skillId &&
  one.versionId === other.versionId &&
  one.assignmentId === other.assignmentId &&
  one.misconceptionId === other.misconceptionId;

async function aboutItem(
  context: Context,
  asked: { readonly work: string; readonly item: string; readonly part: string },
  only: readonly string[],
): Promise<Concern> {
  const data = await pieceData(context, asked.work, { partId: asked.part || null });
  const library = await libraryOf(context.runtime);
  const own = data.tries.filter(({ key, counts }) => key === asked.item && counts);
  const [first] = own;
  if (!first) throw new Refusal("not-found", "Nobody has answered this item, or it is not part of this work any more.");
  const nameOf = new Map(data.targets.map(({ personId, name }) => [personId, name]));
  const meant = own.filter(({ personId }) => only.length === 0 || only.includes(personId));
  const school = await schoolOf(context.runtime, context.actor.schoolId);
  return {
    title: data.work.title,
    skill: library.skillIfKnown(first.skillId)?.name ?? "",
    explanation: null,
    subject: {
      skillId: first.skillId,
      versionId: first.versionId,
      assignmentId: data.work.id,
      misconceptionId: null,
    },
    others: own.length - meant.length,
    back: { path: `/evidence/pieces/${data.work.id}`, words: `Back to “${data.work.title}”` },
    students: meant.map((one) => ({
      id: one.personId,
      name: nameOf.get(one.personId) ?? "",
      given: one.given,
      right: one.right,
      misconception: one.misconceptionId ? library.misconceptionName(one.misconceptionId) || null : null,
      seconds: one.milliseconds === null ? null : Math.round(one.milliseconds / 1000),
      hints: one.hints,
      when: one.answeredAt === null ? null : instantInWords(school, one.answeredAt, "EEE d MMM"),
      item: one.item,
    })),
  };
}

async function aboutMistake(
  context: Context,
  classIds: readonly string[],
  asked: { readonly skill: string; readonly mistake: string },
  only: readonly string[],
): Promise<Concern> {
  const { runtime, actor } = context;
  const [library, classroom] = await Promise.all([
    libraryOf(runtime),
    loadClassroom(runtime, actor.schoolId, classIds),
  ]);
  const misconception = library.misconceptions.get(asked.mistake);
  const skill = library.skillIfKnown(asked.skill);
  if (!misconception || !skill) throw new Refusal("not-found", "This mistake is not known to the library any more.");
  const concerned = await showing(context, classroom, asked);
  const meant = concerned.filter((id) => only.length === 0 || only.includes(id));
  const rows = await latestShowing(runtime.db.read, meant, { skillId: skill.id, misconceptionId: misconception.id });
  const shown = await shownAnswers(runtime, rows, skill.id);
  return {
    title: misconception.name,
    skill: skill.name,
    explanation: misconception.explanation,
    subject: { skillId: skill.id, versionId: null, assignmentId: null, misconceptionId: misconception.id },
    others: concerned.length - meant.length,
    back: { path: "/evidence/mistakes", words: "Back to the mistakes" },
    students: shown.map(({ row, item, given, right }) => ({
      id: row.personId,
      name: classroom.students.find(({ id }) => id === row.personId)?.shortName ?? "",
      given,
      right,
      misconception: null,
      seconds: Math.round(row.milliseconds / 1000),
      hints: row.hintsUsed,
      when: instantInWords(classroom.school, row.givenAt, "EEE d MMM"),
      item,
    })),
  };
}

/** Students of the classes who showed the mistake and are not Secure in the skill today. */
async function showing(
  { runtime }: Context,
  { students }: Classroom,
  asked: { readonly skill: string; readonly mistake: string },
): Promise<string[]> {
  const signs = await misconceptionSignsOf(
    runtime.db.read,
    students.map(({ id }) => id),
  );
  const showed = new Set(
    signs
      .filter(({ skillId, misconceptionId }) => skillId === asked.skill && misconceptionId === asked.mistake)
      .map(({ personId }) => personId),
  );
  return students
    .filter(({ id, gauges }) => showed.has(id) && (gauges.get(asked.skill)?.chance ?? 0) < LEVEL_CUTS.secure)
    .map(({ id }) => id);
}
