import "server-only";
import type { ReadingNow } from "@/client/useReading";
import { allSubjects } from "@/db/queries/library";
import { demand, demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { waitAMoment } from "@/server/runtime/fileJobs";
import { Refusal } from "@/server/runtime/refusal";
import { changedWords, standardsFaultWords } from "@/words/staff/standardWords";
import type { FrameworkImportState, FrameworkImportView, StandardLine } from "../exchangeTypes";
import { type FrameworkPlan, frameworkJobOf, frameworkPlan, openFrameworkDraft } from "./frameworkDraft";
import { isApplied } from "./itemDrafts";

const LINES_SHOWN = 400;
const FAULTS_SHOWN = 20;
const READING = { state: "reading", share: 0.5, what: "standards" } as const;

/** Where the reading of a framework stands, or what it would change. */
export async function frameworkImportState(context: Context, draftId: string): Promise<FrameworkImportState> {
  const { runtime } = context;
  const db = runtime.db.read;
  const draft = await openFrameworkDraft(db, context, draftId);
  const { fileName } = draft;
  if (await isApplied(db, draft)) return { state: "applied", fileName };
  const job = frameworkJobOf(context, draft);
  await waitAMoment(job);
  if (job.failure) {
    const words =
      job.failure instanceof Refusal ? job.failure.message : "The file could not be read. Please try again.";
    return { state: "failed", fileName, sentences: [words] };
  }
  if (!job.result) return READING;
  if (!job.result.ok)
    return { state: "failed", fileName, sentences: job.result.faults.slice(0, FAULTS_SHOWN).map(standardsFaultWords) };
  const file = job.result.package;
  const [plan, subjects] = await Promise.all([frameworkPlan(db, draft, file, runtime.newId), allSubjects(db)]);
  const lines = plan.changes.map((change) => lineOf(change, plan));
  const count = (what: StandardLine["what"]) => lines.filter((line) => line.what === what).length;
  const view: FrameworkImportView = {
    draftId,
    fileName,
    title: file.document.title,
    version: file.document.version,
    entries: file.standards.length,
    isNew: plan.known === null,
    isShipped: plan.known?.shipped ?? false,
    subjects: subjects.map(({ id, name }) => ({ id, name })),
    subjectId: plan.subjectId,
    fingerprint: plan.fingerprint,
    counts: { added: count("added"), changed: count("changed"), gone: count("gone"), kept: count("kept") },
    isReordered: plan.isReordered,
    links: { added: plan.links.length, gone: plan.linksGone.length, elsewhere: plan.linksElsewhere.length },
    lines: lines.slice(0, LINES_SHOWN),
    more: Math.max(0, lines.length - LINES_SHOWN),
  };
  return { state: "ready", view };
}

/** How far the reading has come; once it has ended, the page itself is made anew. */
export async function frameworkImportProgress(context: Context, draftId: string): Promise<ReadingNow> {
  const draft = await openFrameworkDraft(context.runtime.db.read, context, draftId);
  if (await isApplied(context.runtime.db.read, draft)) return { state: "ended" };
  const job = frameworkJobOf(context, draft);
  return job.failure || job.result ? { state: "ended" } : READING;
}

function lineOf(change: FrameworkPlan["changes"][number], { idOf, keptIds }: FrameworkPlan): StandardLine {
  const { caseId, code, statement, what } = change;
  const isKept = what === "gone" && keptIds.has(idOf.get(caseId) ?? "");
  return { key: caseId, code, statement, what: isKept ? "kept" : what, detail: changedWords(change) };
}

/** Standards are the coordinators' to bring in. */
export async function frameworkStart({ actor }: Context): Promise<true> {
  demand(actor, "manage", { kind: "school", schoolId: demandStaff(actor).schoolId });
  return true;
}
