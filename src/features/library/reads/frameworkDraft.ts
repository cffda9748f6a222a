import "server-only";
import { createHash } from "node:crypto";
import { frameworkDifference, type StandardChange } from "@/core/library/frameworkDifference";
import {
  allStandardsOf,
  type FrameworkRow,
  type StandardRow,
  standardsByCaseId,
  standardsInUse,
} from "@/db/queries/frameworkImport";
import { allFrameworks, allSubjects, linksOfFramework } from "@/db/queries/library";
import { bytesOfLibraryDraft, type LibraryDraftRow, libraryDraftById } from "@/db/queries/libraryDrafts";
import type { Queryable } from "@/db/queryable";
import type { readCase } from "@/formats/standards/readCase";
import type { StandardLinkRecord, StandardsPackage } from "@/formats/standards/standardsPackage";
import { demand } from "@/server/access/demand";
import { exchangeId } from "@/server/library/exchangeId";
import type { Context } from "@/server/runtime/context";
import { readFramework } from "@/server/runtime/exchangeThread";
import { type FileJob, fileJobs } from "@/server/runtime/fileJobs";
import { Refusal } from "@/server/runtime/refusal";

const jobs = fileJobs<ReturnType<typeof readCase>, null>("framework");

/** The draft, when the actor may go on with it: standards are the coordinators' to bring in. */
export async function openFrameworkDraft(db: Queryable, context: Context, draftId: string): Promise<LibraryDraftRow> {
  const draft = await libraryDraftById(db, draftId);
  if (draft?.kind !== "framework") throw new Refusal("not-found", "This file is not known. Choose it again.");
  demand(context.actor, "change", { kind: "draft", authorId: draft.ownerId });
  demand(context.actor, "manage", { kind: "school", schoolId: draft.schoolId });
  return draft;
}

export const frameworkJobOf = (
  { runtime }: Context,
  draft: LibraryDraftRow,
): FileJob<ReturnType<typeof readCase>, null> =>
  jobs.start(runtime, {
    draftId: draft.id,
    fingerprint: draft.id,
    atFirst: null,
    read: async (signal) => readFramework(await bytesOfLibraryDraft(runtime.db.read, draft.id), signal),
  });

export const stopFrameworkJob = ({ runtime }: Context, draftId: string): void => jobs.stop(runtime, draftId);

/** A tie of the file with the standards at its ends. */
export interface PlannedLink {
  readonly link: StandardLinkRecord;
  readonly fromId: string;
  readonly toId: string;
}

export interface FrameworkPlan {
  /** The edition that is here; null for a framework that is new. */
  readonly known: FrameworkRow | null;
  readonly subjectId: string | null;
  readonly changes: readonly StandardChange[];
  /** Standards by the identifier of the file: those that are here, and ids for those that are new. */
  readonly idOf: ReadonlyMap<string, string>;
  readonly rows: readonly StandardRow[];
  /** Gone from the edition, but something stands under them: kept, and shown no more. */
  readonly keptIds: ReadonlySet<string>;
  readonly links: readonly PlannedLink[];
  readonly linksGone: Awaited<ReturnType<typeof linksOfFramework>>;
  /** Ties to standards that are not in the library. */
  readonly linksElsewhere: readonly StandardLinkRecord[];
  readonly isReordered: boolean;
  readonly fingerprint: string;
}

/** What a framework's file would change as things stand now. New standards are given ids by `newId`. */
export async function frameworkPlan(
  db: Queryable,
  draft: LibraryDraftRow,
  file: StandardsPackage,
  newId: () => string,
): Promise<FrameworkPlan> {
  const all = await allFrameworks(db);
  const caseIdOf = ({ id, caseId }: { readonly id: string; readonly caseId: string | null }) =>
    caseId ?? exchangeId(id);
  const known = all.find((framework) => caseIdOf(framework) === file.document.caseId) ?? null;
  const rows = known ? await allStandardsOf(db, known.id) : [];
  const present = rows.filter(({ retiredAt }) => retiredAt === null);
  const caseIdById = new Map(rows.map((row) => [row.id, caseIdOf(row)]));
  const changes = frameworkDifference(
    present.map((row) => ({
      ...row,
      caseId: caseIdOf(row),
      parentCaseId: row.parentId === null ? null : (caseIdById.get(row.parentId) ?? null),
    })),
    file.standards,
  );
  const idOf = new Map(rows.map((row) => [caseIdOf(row), row.id]));
  for (const { caseId } of file.standards) if (!idOf.has(caseId)) idOf.set(caseId, newId());
  const gone = changes.flatMap(({ what, caseId }) => (what === "gone" ? (idOf.get(caseId) ?? []) : []));
  const keptIds = await standardsInUse(db, gone, known?.id ?? "");
  const { links, elsewhere } = await tiesOf(db, file.links, idOf);
  const old = known ? (await linksOfFramework(db, known.id)).filter(({ source }) => source === known.id) : [];
  const coming = new Set(links.map(({ fromId, toId, link }) => `${fromId} ${link.kind} ${toId}`));
  const linksGone = old.filter(({ fromId, toId, kind }) => !coming.has(`${fromId} ${kind} ${toId}`));
  const before = new Set(old.map(({ fromId, toId, kind }) => `${fromId} ${kind} ${toId}`));
  const fresh = links.filter(({ fromId, toId, link }) => !before.has(`${fromId} ${link.kind} ${toId}`));
  const inFile = new Set(file.standards.map(({ caseId }) => caseId));
  const order = present.map(caseIdOf).filter((caseId) => inFile.has(caseId));
  const here = new Set(order);
  const wanted = file.standards.flatMap(({ caseId }) => (here.has(caseId) ? [caseId] : []));
  const subjects = await allSubjects(db);
  const subjectId = known?.subjectId ?? draft.subjectId ?? (subjects.length === 1 ? (subjects[0]?.id ?? null) : null);
  const said = [known?.id, subjectId, changes, [...keptIds].sort(), linksGone.map(({ id }) => id), fresh.length];
  return {
    known,
    subjectId,
    changes,
    idOf,
    rows,
    keptIds,
    links: fresh,
    linksGone,
    linksElsewhere: elsewhere,
    isReordered: order.join("\n") !== wanted.join("\n"),
    fingerprint: createHash("sha256").update(JSON.stringify(said)).digest("base64url").slice(0, 20),
  };
}

/** Ties whose ends are in the file or in the library, and the others. */
async function tiesOf(db: Queryable, links: readonly StandardLinkRecord[], idOf: ReadonlyMap<string, string>) {
  const outside = links.flatMap(({ fromCaseId, toCaseId }) => [fromCaseId, toCaseId]).filter((id) => !idOf.has(id));
  const found = new Map((await standardsByCaseId(db, outside)).map(({ id, caseId }) => [caseId ?? "", id]));
  const planned: PlannedLink[] = [];
  const elsewhere: StandardLinkRecord[] = [];
  for (const link of links) {
    const [fromId, toId] = [link.fromCaseId, link.toCaseId].map((caseId) => idOf.get(caseId) ?? found.get(caseId));
    if (fromId !== undefined && toId !== undefined) planned.push({ link, fromId, toId });
    else elsewhere.push(link);
  }
  return { links: planned, elsewhere };
}
