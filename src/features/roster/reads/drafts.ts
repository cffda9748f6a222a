import "server-only";
import { createHash } from "node:crypto";
import { termAround } from "@/core/calendar/termOn";
import { gradeCode } from "@/core/roster/gradeCode";
import type { SheetSurroundings } from "@/core/roster/readRosterSheet";
import type { IncomingRecord } from "@/core/roster/rosterRecord";
import { remark } from "@/core/roster/rosterRemark";
import { rosterVersion, wasUndone } from "@/db/queries/history";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { groupsOfClasses } from "@/db/queries/regroup";
import type { MembershipRow, SupportsRow } from "@/db/queries/roster";
import { bytesOfDraft, draftById, type RosterDraftRow } from "@/db/queries/rosterDrafts";
import type { Queryable } from "@/db/queryable";
import type { RosterPreview } from "@/formats/roster/previewRoster";
import { demand, demandStaff } from "@/server/access/demand";
import type { StaffActor } from "@/server/access/policy";
import { demandClasses, openClasses } from "@/server/access/subjects";
import type { Context } from "@/server/runtime/context";
import { type FileJob, fileJobs } from "@/server/runtime/fileJobs";
import { Refusal } from "@/server/runtime/refusal";
import { type ReadingProgress, readRosterFile } from "@/server/runtime/rosterReader";
import { dayAt, type School, schoolOf, todayOf } from "@/server/runtime/school";
import { type KnownRoster, knownRoster, sheetRecords } from "./knownRecords";

/** Rows of a class's sheet, and of a school's. */
const MOST_STUDENTS = { class: 400, school: 30_000 } as const;

/** What a preview was made from and what came out of it. */
export interface ReadyDraft {
  readonly known: KnownRoster;
  readonly supports: readonly SupportsRow[];
  readonly memberships: readonly MembershipRow[];
  readonly preview: RosterPreview;
}

const jobs = fileJobs<ReadyDraft, ReadingProgress>("roster");

/** The draft, when the actor may go on with it. */
export async function openDraft(db: Queryable, context: Context, draftId: string): Promise<RosterDraftRow> {
  const draft = await draftById(db, draftId);
  if (!draft) throw new Refusal("not-found", "This import is not known. Choose the file again.");
  demand(context.actor, "change", { kind: "draft", authorId: draft.ownerId });
  // Rights may have changed since the file was chosen.
  if (draft.classId !== null) await demandClasses(context, "enroll", [draft.classId]);
  else if (draft.newClassName === null) demand(context.actor, "manage", { kind: "school", schoolId: draft.schoolId });
  return draft;
}

export async function isApplied(db: Queryable, draft: RosterDraftRow): Promise<boolean> {
  return draft.appliedAt !== null && !(draft.changeId !== null && (await wasUndone(db, draft.changeId)));
}

/** Schools whose roster the draft may change. */
export function schoolsOfDraft(staff: StaffActor, draft: RosterDraftRow): readonly string[] {
  const whole = draft.classId === null && draft.newClassName === null;
  return whole && staff.coordinates.includes(draft.schoolId) ? staff.coordinates : [draft.schoolId];
}

/** Changes when the preview would: made of what was typed in the draft, the state of the roster, and the day. */
export async function fingerprintOf(
  db: Queryable,
  staff: StaffActor,
  draft: RosterDraftRow,
  today: string,
): Promise<string> {
  const version = await rosterVersion(db, schoolsOfDraft(staff, draft));
  const { repairs, links, mapping, makeClasses } = draft;
  return createHash("sha256")
    .update(JSON.stringify([version, today, repairs, links, mapping, makeClasses]))
    .digest("base64url")
    .slice(0, 20);
}

/** Starts reading the draft's file, or goes on with what is being read or was read already. */
export async function jobOf(context: Context, draft: RosterDraftRow): Promise<FileJob<ReadyDraft, ReadingProgress>> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  return jobs.start(runtime, {
    draftId: draft.id,
    fingerprint: await fingerprintOf(runtime.db.read, staff, draft, await todayOf(runtime, draft.schoolId)),
    atFirst: { share: 0, what: remark("looking-at-roster") },
    read: (signal, progress) => read(context, staff, draft, signal, progress),
  });
}

export function stopJob({ runtime }: Context, draftId: string): void {
  jobs.stop(runtime, draftId);
}

async function read(
  context: Context,
  staff: StaffActor,
  draft: RosterDraftRow,
  signal: AbortSignal,
  progress: (at: ReadingProgress) => void,
): Promise<ReadyDraft> {
  const { runtime } = context;
  const db = runtime.db.read;
  const school = await schoolOf(runtime, draft.schoolId);
  const today = dayAt(school, runtime.now());
  const whole = draft.classId === null && draft.newClassName === null;
  const fetchRoster = async () => {
    const schoolIds = schoolsOfDraft(staff, draft);
    const known = await knownRoster(db, schoolIds, today);
    const groups = draft.kind === "sheet" ? await groupsOfOpenClasses(db, staff) : [];
    const groupIds = [...new Set([...staff.groupTies.keys(), ...groups.map(({ id }) => id)])];
    const extras = await sheetRecords(db, schoolIds, groupIds, known.keyOf);
    const around: SheetSurroundings = {
      schoolKey: known.keyOf(draft.schoolId),
      target: whole ? null : await targetOf(db, draft, known),
      groups: extras.groups,
      newClassSubject: whole && draft.makeClasses ? usualSubject(known) : null,
      correctable: whole ? null : await correctable(db, staff, today),
    };
    return { known, extras, around };
  };
  const roster = fetchRoster();
  const preview = await readRosterFile(
    {
      kind: draft.kind,
      bytes: await bytesOfDraft(db, draft.id),
      repairs: draft.repairs,
      links: draft.links,
      mapping: draft.mapping,
      today,
      mostRows: MOST_STUDENTS[whole ? "school" : "class"],
    },
    roster.then(({ known, extras, around }) => ({
      known: draft.kind === "sheet" ? [...known.records, ...extras.records] : known.records,
      around,
      newClass: newClassOf(draft, known, school, today),
    })),
    progress,
    signal,
  );
  const { known, extras } = await roster;
  return { known, preview, supports: extras.supports, memberships: extras.memberships };
}

async function groupsOfOpenClasses(db: Queryable, staff: StaffActor) {
  const classes = await openClasses(db, staff);
  return groupsOfClasses(
    db,
    classes.map(({ id }) => id),
  );
}

/** The subject that most classes have. */
function usualSubject({ rows }: KnownRoster): string {
  const counts = new Map<string, number>();
  for (const { subject } of rows.classes) counts.set(subject, (counts.get(subject) ?? 0) + 1);
  return [...counts].sort(([, x], [, y]) => y - x)[0]?.[0] ?? "Mathematics";
}

const newClassKey = (draft: RosterDraftRow) => `new-class:${draft.id}`;

async function targetOf(db: Queryable, draft: RosterDraftRow, { keyOf }: KnownRoster) {
  if (draft.classId === null) return { classKey: newClassKey(draft), grade: draft.newClassGrade ?? 0 };
  const [target] = await classesById(db, [draft.classId]);
  if (!target) throw new Refusal("not-found", "The class is not there any more.");
  return { classKey: keyOf(target.id), grade: target.grade };
}

async function correctable(db: Queryable, staff: StaffActor, today: string): Promise<ReadonlySet<string> | null> {
  if (staff.coordinates.includes(staff.schoolId)) return null;
  const team = [...staff.classTies].filter(([, tie]) => tie === "teacher" || tie === "co-teacher").map(([id]) => id);
  return new Set((await studentsOfClasses(db, team, today)).map(({ person }) => person.id));
}

function newClassOf(draft: RosterDraftRow, known: KnownRoster, school: School, today: string): IncomingRecord | null {
  if (draft.newClassName === null) return null;
  const { keyOf } = known;
  const term = termAround(school.terms, today);
  const values: Record<string, string> = {
    title: draft.newClassName,
    grades: gradeCode(draft.newClassGrade),
    classType: "scheduled",
    schoolSourcedId: keyOf(draft.schoolId),
    subjects: usualSubject(known),
    ...(term ? { termSourcedIds: keyOf(term.id) } : {}),
  };
  return { file: "classes", key: newClassKey(draft), values, row: null, gone: false, fromSource: false };
}
