import "server-only";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { LEARNED_KINDS } from "@/core/work/conductors/learnedKinds";
import { windowFor, windowStanding } from "@/core/work/workWindow";
import { workCounts } from "@/db/queries/figures";
import { assignmentsOfGroupsAround } from "@/db/queries/groupWork";
import { classesById } from "@/db/queries/people";
import { waitingCounts } from "@/db/queries/ratings";
import { assignmentsOfClasses, type GivenWork, releasesOf, skillIdsOfAssignments } from "@/db/queries/work";
import { demandClasses } from "@/server/access/subjects";
import { joinedSince } from "@/server/classroom/joinedSince";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { instantInWords, schoolOf, todayOf } from "@/server/runtime/school";
import type { WorkListEntry } from "../types";

export async function workList(context: Context, classIds: readonly string[]): Promise<WorkListEntry[]> {
  await demandClasses(context, "see", classIds);
  const db = context.runtime.db.read;
  const day = await todayOf(context.runtime, context.actor.schoolId);
  const [own, ofGroups] = await Promise.all([
    assignmentsOfClasses(db, classIds),
    assignmentsOfGroupsAround(db, classIds, groupsOf(context.actor), day),
  ]);
  return entriesOf(
    context,
    [...own, ...ofGroups].sort((x, y) => y.givenAt - x.givenAt),
  );
}

/** Groups that somebody teaches. */
const groupsOf = (actor: Context["actor"]): string[] => (actor.kind === "staff" ? [...actor.groupTies.keys()] : []);

export async function entriesOf(context: Context, works: readonly GivenWork[]): Promise<WorkListEntry[]> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const ids = works.map(({ id }) => id);
  const [counts, skillIds, library, school, classes] = await Promise.all([
    workCounts(db, ids, LEARNED_KINDS),
    skillIdsOfAssignments(db, ids),
    libraryOf(runtime),
    schoolOf(runtime, actor.schoolId),
    classesById(
      db,
      works.map(({ classId }) => classId),
    ),
  ]);
  const now = runtime.now();
  const open = works.filter((work) => !work.isPrepared && windowStanding(windowFor(work), now) !== "closed");
  const [shown, waiting] = await Promise.all([releasesOf(db, ids), waitingCounts(db, ids)]);
  /** A test of which students see nothing before the teacher says so, and the teacher has not. */
  const isHidden = ({ id, kind, release }: GivenWork) =>
    conductorOf(kind).standsWhole &&
    Object.values(release).every((time) => time === "word") &&
    !shown.some(({ assignmentId }) => assignmentId === id);
  const joined = await joinedSince(db, school, open, { now, viewerId: actor.personId });
  const coded = new Map(
    library.skillsAt(actor.schoolId).map(({ id, name, standards: [standard] }) => {
      return [id, standard?.code ? `${name} (${standard.code})` : name] as const;
    }),
  );
  return works.map((work) => ({
    id: work.id,
    title: work.title,
    kind: work.kind,
    partCount: work.partCount,
    className: classes.find(({ id }) => id === work.classId)?.name ?? "",
    skills: (skillIds.get(work.id) ?? []).map((id) => coded.get(id) ?? library.skill(id).name),
    due: work.dueAt === null ? null : instantInWords(school, work.dueAt, "EEE d MMM, HH:mm"),
    state: work.isPrepared ? "prepared" : STATES[windowStanding(windowFor(work), now)],
    joinedCount: joined.get(work.id)?.length ?? 0,
    toShow: isHidden(work) ? (counts.get(work.id)?.finished ?? 0) : 0,
    toScore: waiting.get(work.id) ?? 0,
    dueAt: work.dueAt,
    isDueSoon: work.dueAt !== null && work.dueAt >= now && work.dueAt - now < DAY_MILLISECONDS,
    ...(counts.get(work.id) ?? NOBODY),
  }));
}

const DAY_MILLISECONDS = 86_400_000;
const STATES = { scheduled: "later", open: "open", late: "late", closed: "over" } as const;
const NOBODY = { given: 0, notStarted: 0, working: 0, stuck: 0, finished: 0 };
