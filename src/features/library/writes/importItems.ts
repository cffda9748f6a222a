import "server-only";
import { mixed, object, string } from "yup";
import { banksById } from "@/db/queries/banks";
import { type LibraryDraftRow, updateLibraryDraft } from "@/db/queries/libraryDrafts";
import { added } from "@/db/queries/rowChanges";
import { LIBRARY_TABLES, stateOfTables } from "@/db/queries/tableRevisions";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { itemFileKind } from "@/formats/exchange/readItemFile";
import { bankSubject, demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { contentHash } from "@/server/content/contentHash";
import { recordBigChange } from "@/server/history/bigChange";
import type { Change } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import { takePicture } from "@/server/library/pictures";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { type ImportPlan, importPlan, type PlannedItem, type PlannedPassage } from "../reads/importPlan";
import { isApplied, itemJobOf, openItemDraft, stopItemJob } from "../reads/itemDrafts";
import { demandSize, keepDraft } from "./keepDraft";

const upload = object({
  bankId: string().required("Choose the bank that the items go into."),
  skillId: string().nullable().default(null),
  fileName: string().max(200).required(),
  bytes: mixed<Uint8Array>((value): value is Uint8Array => value instanceof Uint8Array).required(
    "Choose a file first.",
  ),
});

/** Keeps a file of items as a draft; nothing in the library changes. Returns the draft's id. */
export async function beginItemImport(context: Context, input: unknown): Promise<string> {
  const staff = demandStaff(context.actor);
  const { bankId, skillId, fileName, bytes } = validated(upload, input);
  demandSize(bytes);
  await demandBank(context, "change", bankId);
  const { runtime } = context;
  if (skillId !== null) (await libraryOf(runtime)).skill(skillId);
  return keepDraft(runtime, staff, bytes, { kind: itemFileKind(bytes), bankId, skillId, fileName });
}

const choice = object({
  draftId: string().required(),
  bankId: string().required("Choose a bank."),
  skillId: string().nullable().defined(),
});

/** Says where the items go, and under which skill those stand that say nothing themselves. */
export async function chooseForImport(context: Context, input: unknown): Promise<void> {
  const { draftId, bankId, skillId } = validated(choice, input);
  if (skillId !== null) (await libraryOf(context.runtime)).skill(skillId);
  await context.runtime.db.write(async (tx) => {
    await unappliedDraft(tx, context, draftId);
    await demandBank(context, "change", bankId, tx);
    await updateLibraryDraft(tx, draftId, { bankId, skillId });
  });
}

async function unappliedDraft(tx: Queryable, context: Context, draftId: string) {
  const draft = await openItemDraft(tx, context, draftId);
  if (await isApplied(tx, draft))
    throw new Refusal("conflict", "These items are in the library already. That can be undone from the history.");
  return draft;
}

const one = object({ draftId: string().required() });

/** Stops reading a file that takes too long. It stays; reading begins anew when it is opened. */
export async function stopReadingItems(context: Context, input: unknown): Promise<void> {
  const { draftId } = validated(one, input);
  await openItemDraft(context.runtime.db.read, context, draftId);
  stopItemJob(context, draftId);
}

const applyInput = object({ draftId: string().required(), fingerprint: string().required() });

/** Takes the items of a file into the library as they were looked at, whole or not at all and as one entry of the history. */
export async function applyItemImport(context: Context, input: unknown): Promise<{ changeId: string; bankId: string }> {
  const staff = demandStaff(context.actor);
  const { draftId, fingerprint } = validated(applyInput, input);
  const { runtime } = context;
  const before = await openItemDraft(runtime.db.read, context, draftId);
  // Sent twice, it is applied once.
  if (await isApplied(runtime.db.read, before)) return { changeId: before.changeId ?? "", bankId: before.bankId };
  const file = await itemJobOf(context, before).done;
  if (!file.ok) throw new Refusal("invalid", "This file can't be read. Choose another one.");
  // Worked out before the writer's turn: thousands of items would hold up a class's answers.
  const state = await stateOfTables(runtime.db.read, LIBRARY_TABLES);
  const plan = await importPlan(context, runtime.db.read, before, file.items);
  if (plan.fingerprint !== fingerprint) throw changedSince();
  const change = await changeOf(context, before, plan, staff.personId);
  const changeId = await recordBigChange(context, {
    prepare: async (tx) => {
      await unappliedDraft(tx, context, draftId);
      if ((await stateOfTables(tx, LIBRARY_TABLES)) !== state) throw changedSince();
      const by = { addedBy: staff.personId, addedAt: runtime.now() };
      for (const { bytes } of file.pictures) await takePicture(tx, bytes, by);
      return change;
    },
    finish: (tx, id) => updateLibraryDraft(tx, draftId, { appliedAt: runtime.now(), changeId: id }),
  });
  return { changeId, bankId: before.bankId };
}

const changedSince = () =>
  new Refusal("conflict", "The library changed since this was worked out. Look at it once more; nothing was changed.");

/** The items of a file as one change. */
async function changeOf(
  context: Context,
  draft: LibraryDraftRow & { readonly bankId: string },
  plan: ImportPlan,
  authorId: string,
): Promise<Change> {
  const { runtime } = context;
  const coming = plan.items.filter(({ fate }) => fate === "in-use" || fate === "draft" || fate === "new-version");
  const passages = [...plan.passages.values()].filter(({ fate }) => fate !== "unchanged");
  if (coming.length === 0 && !passages.some(({ fate }) => fate === "changed"))
    throw new Refusal("invalid", "There is nothing to take in from this file.");
  const [bank] = await banksById(runtime.db.read, [draft.bankId]);
  const { restricted } = await bankSubject(context, draft.bankId, runtime.db.read);
  const count = (fate: PlannedItem["fate"]) => coming.filter((planned) => planned.fate === fate).length;
  const now = runtime.now();
  return {
    kind: "items-imported",
    facts: {
      // The history is read by more people than a restricted bank.
      file: restricted ? "" : draft.fileName,
      to: bank?.name ?? "",
      inUse: count("in-use"),
      drafts: count("draft"),
      versions: count("new-version"),
    },
    classId: null,
    subjectIds: [draft.bankId],
    rows: [
      ...passageRows(passages, draft.bankId, { authorId, now }),
      ...rowsOf(coming, { draft, authorId, now, newId: runtime.newId, passages: plan.passages }),
    ],
  };
}

interface Setting {
  readonly draft: LibraryDraftRow & { readonly bankId: string };
  readonly authorId: string;
  readonly now: number;
  readonly newId: () => string;
  readonly passages: ImportPlan["passages"];
}

/** New passages, and the next version of those whose words are others. */
function passageRows(
  passages: readonly PlannedPassage[],
  bankId: string,
  { authorId, now }: { readonly authorId: string; readonly now: number },
): RowChange[] {
  const fresh = passages.filter(({ fate }) => fate === "new");
  return [
    ...fresh.map(({ id, passage }) => added("passages", { id, bankId, authorId, outsideId: passage.id })),
    ...passages.map(({ id, passage: { title, language, paragraphs }, version }) =>
      added("passageVersions", {
        id: `${id}@${version + 1}`,
        passageId: id,
        number: version + 1,
        title,
        language,
        body: paragraphs,
        createdAt: now,
        authorId,
      }),
    ),
  ];
}

/** Rows table by table, so that thousands of them are few statements. */
function rowsOf(coming: readonly PlannedItem[], { draft, authorId, now, newId, passages }: Setting): RowChange[] {
  const rows = {
    items: [] as RowChange[],
    versions: [] as RowChange[],
    alignment: [] as RowChange[],
    originals: [] as RowChange[],
  };
  for (const { item, fate, known, alignment, read } of coming) {
    if (!item) continue;
    const itemId = known?.itemId ?? newId();
    const number = (known?.version.number ?? 0) + 1;
    const isReady = fate !== "draft";
    const versionId = `${itemId}@${number}`;
    if (!known)
      rows.items.push(
        added("items", { id: itemId, bankId: draft.bankId, authorId, outsideId: item.id === "" ? null : item.id }),
      );
    rows.versions.push(
      added("itemVersions", {
        id: versionId,
        itemId,
        number,
        body: item.body,
        passageId: passages.get(item.passage?.id ?? "")?.id ?? null,
        depth: item.depth,
        calculator: item.calculator,
        language: item.language,
        status: isReady ? "ready" : "draft",
        contentHash: isReady ? contentHash(item.body) : "",
        createdAt: now,
        authorId,
        alignment: isReady ? null : alignment,
        revision: 1,
      }),
    );
    // A further version leaves what the item stands under as it is.
    if (isReady && !known) {
      rows.alignment.push(
        ...alignment.skillIds.map((skillId, place) =>
          added("itemSkills", { id: `${itemId}/${skillId}`, itemId, skillId, place }),
        ),
        ...alignment.standardIds.map((standardId) =>
          added("itemStandards", { id: `${itemId}/${standardId}`, itemId, standardId }),
        ),
      );
    }
    if (read.original !== null)
      rows.originals.push(
        added("itemOriginals", {
          id: `${versionId}/original`,
          versionId,
          fileName: read.at,
          document: read.original,
          remarks: read.remarks,
        }),
      );
  }
  const bySkill = (table: string) => rows.alignment.filter((row) => row.table === table);
  return [...rows.items, ...rows.versions, ...bySkill("itemSkills"), ...bySkill("itemStandards"), ...rows.originals];
}
