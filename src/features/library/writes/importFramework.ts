import "server-only";
import { mixed, object, string } from "yup";
import { allFollowed, allSubjects, frameworkById } from "@/db/queries/library";
import { type LibraryDraftRow, updateLibraryDraft } from "@/db/queries/libraryDrafts";
import { added, changed } from "@/db/queries/rowChanges";
import { LIBRARY_TABLES, stateOfTables } from "@/db/queries/tableRevisions";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import type { StandardsPackage } from "@/formats/standards/standardsPackage";
import { demand, demandStaff } from "@/server/access/demand";
import { recordBigChange } from "@/server/history/bigChange";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import {
  type FrameworkPlan,
  frameworkJobOf,
  frameworkPlan,
  openFrameworkDraft,
  stopFrameworkJob,
} from "../reads/frameworkDraft";
import { isApplied } from "../reads/itemDrafts";
import { demandSize, keepDraft } from "./keepDraft";

const upload = object({
  fileName: string().max(200).required(),
  bytes: mixed<Uint8Array>((value): value is Uint8Array => value instanceof Uint8Array).required(
    "Choose a file first.",
  ),
});

/** Keeps a file of standards as a draft; nothing in the library changes. Returns the draft's id. */
export async function beginFrameworkImport(context: Context, input: unknown): Promise<string> {
  const staff = demandStaff(context.actor);
  const { fileName, bytes } = validated(upload, input);
  demand(context.actor, "manage", { kind: "school", schoolId: staff.schoolId });
  demandSize(bytes);
  return keepDraft(context.runtime, staff, bytes, { kind: "framework", fileName });
}

const one = object({ draftId: string().required() });

/** Stops reading a file that takes too long. It stays; reading begins anew when it is opened. */
export async function stopReadingFramework(context: Context, input: unknown): Promise<void> {
  const { draftId } = validated(one, input);
  await openFrameworkDraft(context.runtime.db.read, context, draftId);
  stopFrameworkJob(context, draftId);
}

const subjectInput = object({ draftId: string().required(), subjectId: string().required("Choose a subject.") });

/** Says which subject a new framework is for. */
export async function chooseSubject(context: Context, input: unknown): Promise<void> {
  const { draftId, subjectId } = validated(subjectInput, input);
  await context.runtime.db.write(async (tx) => {
    await unapplied(tx, context, draftId);
    if (!(await allSubjects(tx)).some(({ id }) => id === subjectId))
      throw new Refusal("not-found", "This subject is not in the library.");
    await updateLibraryDraft(tx, draftId, { subjectId });
  });
}

async function unapplied(tx: Queryable, context: Context, draftId: string): Promise<LibraryDraftRow> {
  const draft = await openFrameworkDraft(tx, context, draftId);
  if (await isApplied(tx, draft))
    throw new Refusal("conflict", "This framework is in the library already. That can be undone from the history.");
  return draft;
}

const applyInput = object({ draftId: string().required(), fingerprint: string().required() });

/** Takes a framework into the library as it was looked at, whole or not at all and as one entry of the history. */
export async function applyFrameworkImport(
  context: Context,
  input: unknown,
): Promise<{ changeId: string; frameworkId: string }> {
  const { draftId, fingerprint } = validated(applyInput, input);
  const { runtime } = context;
  const before = await openFrameworkDraft(runtime.db.read, context, draftId);
  const file = await frameworkJobOf(context, before).done;
  if (!file.ok) throw new Refusal("invalid", "This file can't be read. Choose another one.");
  // Worked out before the writer's turn: a national framework would hold up a class's answers.
  const state = await stateOfTables(runtime.db.read, LIBRARY_TABLES);
  const plan = await frameworkPlan(runtime.db.read, before, file.package, runtime.newId);
  const { known, subjectId, changes } = plan;
  // Sent twice, it is applied once.
  if (await isApplied(runtime.db.read, before))
    return { changeId: before.changeId ?? "", frameworkId: known?.id ?? "" };
  if (plan.fingerprint !== fingerprint) throw changedSince();
  if (known?.shipped)
    throw new Refusal("invalid", "This framework comes with Oxbow, which keeps it up to date by itself.");
  if (subjectId === null) throw new Refusal("invalid", "Choose the subject that the framework is for.");
  const frameworkId = known?.id ?? runtime.newId();
  const count = (what: (typeof changes)[number]["what"]) => changes.filter((change) => change.what === what).length;
  const rows = rowsOf(file.package, plan, { frameworkId, subjectId, now: runtime.now() });
  const changeId = await recordBigChange(context, {
    prepare: async (tx) => {
      await unapplied(tx, context, draftId);
      if ((await stateOfTables(tx, LIBRARY_TABLES)) !== state) throw changedSince();
      return {
        kind: "framework-imported",
        facts: {
          title: file.package.document.title,
          isNew: known === null,
          added: count("added"),
          changed: count("changed"),
          gone: count("gone"),
        },
        classId: null,
        rows,
      };
    },
    finish: (tx, id) => updateLibraryDraft(tx, draftId, { appliedAt: runtime.now(), changeId: id }),
  });
  return { changeId, frameworkId };
}

const changedSince = () =>
  new Refusal("conflict", "The standards changed since this was worked out. Look at it once more.");

interface Setting {
  readonly frameworkId: string;
  readonly subjectId: string;
  readonly now: number;
}

/** Rows of the whole edition: what is there already is changed where it differs, also in what nothing here reads. */
function rowsOf(file: StandardsPackage, plan: FrameworkPlan, { frameworkId, subjectId, now }: Setting): RowChange[] {
  const { document, branches, unread } = file;
  const values = {
    caseId: document.caseId,
    title: document.title,
    version: document.version,
    language: document.language === "" ? "en" : document.language,
    creator: document.creator,
    unread: { document: document.unread, ...unread, links: plan.linksElsewhere },
  };
  const frame = plan.known
    ? changed("frameworks", plan.known, values)
    : added("frameworks", { id: frameworkId, subjectId, status: "draft", ...values });
  const rowById = new Map(plan.rows.map((row) => [row.id, row]));
  const idOf = (caseId: string) => plan.idOf.get(caseId) ?? "";
  const standards = file.standards.flatMap((standard, place): RowChange[] => {
    const { caseId, parentCaseId, ...rest } = standard;
    const id = idOf(caseId);
    const row = {
      ...rest,
      caseId,
      place,
      parentId: parentCaseId === null ? null : idOf(parentCaseId),
      branch: branches[caseId] ?? null,
      retiredAt: null,
    };
    const old = rowById.get(id);
    if (!old) return [added("standards", { id, frameworkId, ...row })];
    const differs = (Object.keys(row) as (keyof typeof row)[]).some(
      (name) => JSON.stringify(row[name]) !== JSON.stringify(old[name]),
    );
    return differs ? [changed("standards", old, row)] : [];
  });
  const gone = plan.changes.flatMap(({ what, caseId }): RowChange[] => {
    const old = what === "gone" ? rowById.get(idOf(caseId)) : undefined;
    if (!old) return [];
    return plan.keptIds.has(old.id)
      ? [changed("standards", old, { retiredAt: now, parentId: null })]
      : [{ table: "standards", id: old.id, before: { ...old }, after: null }];
  });
  const links = plan.links.map(({ link, fromId, toId }) =>
    added("standardLinks", {
      id: `${fromId} ${link.kind} ${toId}`,
      caseId: link.caseId,
      unread: link.unread,
      fromId,
      toId,
      kind: link.kind,
      source: frameworkId,
    }),
  );
  const linksGone = plan.linksGone.map(
    ({ fromCaseId: _from, toCaseId: _to, ...row }): RowChange => ({
      table: "standardLinks",
      id: row.id,
      before: row,
      after: null,
    }),
  );
  return [frame, ...linksGone, ...standards, ...gone, ...links];
}

const followInput = object({ frameworkId: string().required() });

/** Says which framework the school's reports follow in a subject. */
export async function followFramework(context: Context, input: unknown): Promise<{ changeId: string }> {
  const staff = demandStaff(context.actor);
  const { frameworkId } = validated(followInput, input);
  demand(context.actor, "manage", { kind: "school", schoolId: staff.schoolId });
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const framework = await frameworkById(tx, frameworkId);
    if (!framework || framework.status === "retired")
      throw new Refusal("not-found", "This framework is not in the library any more.");
    const { subjectId, title } = framework;
    const old = (await allFollowed(tx)).find((row) => row.schoolId === staff.schoolId && row.subjectId === subjectId);
    if (old?.frameworkId === frameworkId || (!old && framework.status === "adopted"))
      throw new Refusal("conflict", "Your school follows it already; nothing was changed.");
    const row = old
      ? changed("followedFrameworks", old, { frameworkId })
      : added("followedFrameworks", { id: runtime.newId(), schoolId: staff.schoolId, subjectId, frameworkId });
    const changeId = await recordChange(tx, context, {
      kind: "framework-followed",
      facts: { title },
      classId: null,
      rows: [row],
    });
    return { changeId };
  });
}
