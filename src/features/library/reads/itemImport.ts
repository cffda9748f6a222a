import "server-only";
import type { ReadingNow } from "@/client/useReading";
import { itemLine } from "@/core/items/itemLine";
import { openBanks } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { waitAMoment } from "@/server/runtime/fileJobs";
import { Refusal } from "@/server/runtime/refusal";
import { exchangeWords, fileProblemWords } from "@/words/staff/exchangeWords";
import { cardKindWords } from "@/words/staff/itemWords";
import type { ImportLine, ImportShow, ItemImportStart, ItemImportState, ItemImportView } from "../exchangeTypes";
import type { SkillChoice } from "../itemTypes";
import { importPlan, type PlannedItem } from "./importPlan";
import { type ItemProgress, isApplied, itemJobOf, openItemDraft } from "./itemDrafts";

const LINES_A_PAGE = 100;
const LINE_LETTERS = 90;

/** What can be chosen before a file is sent. */
export async function itemImportStart(context: Context, bankId: string | null): Promise<ItemImportStart> {
  const banks = await ownBanks(context);
  return { banks, skills: await skillChoices(context), bankId: banks.find(({ id }) => id === bankId)?.id ?? null };
}

const ownBanks = async (context: Context) =>
  (await openBanks(context, demandStaff(context.actor)))
    .filter(({ mayChange }) => mayChange)
    .map(({ bank: { id, name } }) => ({ id, name }));

async function skillChoices({ runtime, actor }: Context): Promise<SkillChoice[]> {
  const library = await libraryOf(runtime);
  return library
    .skillsAt(actor.schoolId)
    .map(({ id, name, grade, standards }) => ({ id, name, grade, code: standards[0]?.code ?? "" }));
}

/** Where the reading of a file stands, or what would become of its items. */
export async function itemImportState(
  context: Context,
  draftId: string,
  { show, from }: { readonly show: ImportShow; readonly from: number },
): Promise<ItemImportState> {
  const db = context.runtime.db.read;
  const draft = await openItemDraft(db, context, draftId);
  const banks = await ownBanks(context);
  const bank = banks.find(({ id }) => id === draft.bankId) ?? { id: draft.bankId, name: "" };
  if (await isApplied(db, draft)) return { state: "applied", fileName: draft.fileName, bank };
  const job = itemJobOf(context, draft);
  await waitAMoment(job);
  const failed = (message: string): ItemImportState => ({ state: "failed", message, fileName: draft.fileName });
  if (job.failure)
    return failed(
      job.failure instanceof Refusal
        ? job.failure.message
        : "The file could not be read. Nothing was changed; please try again.",
    );
  if (!job.result) return { state: "reading", ...progressOf(job.progress) };
  if (!job.result.ok) return failed(fileProblemWords(job.result.why));
  const plan = await importPlan(context, db, draft, job.result.items);
  const skills = await skillChoices(context);
  const named = new Map(skills.map(({ id, name }) => [id, name]));
  const shown = plan.items.filter((item) => isShown(item, show));
  const count = (fate: PlannedItem["fate"]) => plan.items.filter((item) => item.fate === fate).length;
  const view: ItemImportView = {
    draftId,
    fileName: draft.fileName,
    title: job.result.title,
    bank,
    skillId: draft.skillId,
    banks,
    skills,
    fingerprint: plan.fingerprint,
    counts: {
      "in-use": count("in-use"),
      draft: count("draft"),
      "new-version": count("new-version"),
      unchanged: count("unchanged"),
      "left-out": count("left-out"),
    },
    notWhole: plan.items.filter((item) => isShown(item, "not-whole")).length,
    unread: job.result.unread,
    passages: {
      added: [...plan.passages.values()].filter(({ fate }) => fate === "new").length,
      changed: [...plan.passages.values()].filter(({ fate }) => fate === "changed").length,
    },
    show,
    total: shown.length,
    from,
    pageSize: LINES_A_PAGE,
    lines: shown.slice(from, from + LINES_A_PAGE).map((item, place) => lineOf(item, String(from + place), named)),
  };
  return { state: "ready", view };
}

/** How far the reading of a file has come; once it has ended, the page itself is made anew. */
export async function itemImportProgress(context: Context, draftId: string): Promise<ReadingNow> {
  const db = context.runtime.db.read;
  const draft = await openItemDraft(db, context, draftId);
  if (await isApplied(db, draft)) return { state: "ended" };
  const job = itemJobOf(context, draft);
  return job.failure || job.result ? { state: "ended" } : { state: "reading", ...progressOf(job.progress) };
}

/** Reading is the first half of the way, trying every item the second. */
function progressOf({ done, of, what }: ItemProgress): { readonly share: number; readonly what: string } {
  const half = of === 0 ? 0 : done / of / 2;
  const counted = of === 0 ? "" : ` ${done.toLocaleString("en-GB")} of ${of.toLocaleString("en-GB")} items`;
  return what === "reading"
    ? { share: half, what: `reading${counted}` }
    : { share: 0.5 + half, what: `trying out${counted}` };
}

function isShown({ fate, remarks, item }: PlannedItem, show: ImportShow): boolean {
  if (show === "all") return true;
  if (show === "not-whole") return item !== null && fate !== "unchanged" && remarks.length > 0;
  return fate === show;
}

function lineOf(
  { read, item, fate, remarks, alignment }: PlannedItem,
  key: string,
  named: ReadonlyMap<string, string>,
): ImportLine {
  const [part, another] = item?.body.parts ?? [];
  return {
    key,
    at: read.at,
    title: item ? itemLine({ id: item.id, itemId: item.id, body: item.body }, LINE_LETTERS) : read.title,
    kind: part ? cardKindWords(another ? "several" : part.kind) : "",
    fate,
    skill: alignment.skillIds.map((id) => named.get(id) ?? "").join(", "),
    sentences: remarks.map(exchangeWords),
  };
}
