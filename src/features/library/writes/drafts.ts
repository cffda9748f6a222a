import "server-only";
import { array, boolean, type InferType, mixed, number, object, string } from "yup";
import type { ItemBody } from "@/core/items/itemBody";
import { isItemKind } from "@/core/items/itemKind";
import { itemLine } from "@/core/items/itemLine";
import { misconceptionsIn } from "@/core/items/mapMisconceptions";
import {
  insertDraft,
  isGiven,
  itemsById,
  skillRowsOf,
  standardRowsOf,
  standardsById,
  updateDraft,
  versionsOfItem,
} from "@/db/queries/items";
import { passagesById } from "@/db/queries/passages";
import { added, changed } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import type { ItemAlignment } from "@/db/schema/items";
import { bankSubject, demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { contentHash } from "@/server/content/contentHash";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import { DRAWS_BEFORE_USE, lookItOver } from "@/server/library/lookOver";
import { demandPictures } from "@/server/library/pictures";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";

/** A body is text: what is longer is a passage, or a mistake. */
const MOST_BODY_LETTERS = 60_000;
const LINE_LETTERS = 80;

/** A body on its way: it may lack anything, but it is one, so that it can be opened again. */
export function isBodyOnItsWay(value: unknown): boolean {
  if (typeof value !== "object" || value === null) return false;
  const { stem, contexts, parameters, parts } = value as Partial<Record<keyof ItemBody, unknown>>;
  const isRecord = (one: unknown) => typeof one === "object" && one !== null && !Array.isArray(one);
  const isPart = (part: unknown) =>
    isRecord(part) &&
    typeof (part as { id?: unknown }).id === "string" &&
    isItemKind((part as { kind?: unknown }).kind);
  return (
    typeof stem === "string" &&
    isRecord(contexts) &&
    isRecord(parameters) &&
    Array.isArray(parts) &&
    parts.length <= 12 &&
    parts.every(isPart) &&
    JSON.stringify(value).length <= MOST_BODY_LETTERS
  );
}

export const draftInput = object({
  itemId: uuid(),
  bankId: uuid(),
  /** The state that the writer began with; 0 for a new item, or where no draft was there. */
  revision: number().integer().min(0).required(),
  body: mixed().test("body", "This item can't be read, or is far too long.", isBodyOnItsWay).required(),
  passageId: string().max(200).nullable().default(null),
  depth: number().integer().min(1).max(4).nullable().default(null),
  calculator: boolean().default(false),
  language: string()
    .matches(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/, "Choose a language.")
    .default("en"),
  skillIds: array(string().required()).max(8, "Choose at most eight skills.").default([]),
  standardIds: array(string().required()).max(20, "Choose at most twenty standards.").default([]),
});
type Draft = InferType<typeof draftInput>;

export interface SavedDraft {
  readonly revision: number;
  readonly version: number;
}

/**
 * Keeps a draft as it stands. Of an item in use it becomes a further version, so that what students answered stays. Refused when somebody
 * else saved since the writer began.
 */
export async function saveDraft(context: Context, raw: unknown): Promise<SavedDraft> {
  const staff = demandStaff(context.actor);
  const draft = validated(draftInput, raw);
  const { runtime } = context;
  const alignment = await soundAlignment(context, draft);
  return runtime.db.write(async (tx) => {
    const [item] = await itemsById(tx, [draft.itemId]);
    await demandBank(context, "change", item ? item.bankId : draft.bankId, tx);
    const [latest] = item ? await versionsOfItem(tx, item.id) : [];
    if (draft.passageId !== (latest?.version.passageId ?? null)) await demandPassage(context, tx, draft.passageId);
    const values = {
      passageId: draft.passageId,
      body: draft.body as object,
      depth: draft.depth,
      calculator: draft.calculator,
      language: draft.language,
      alignment,
      authorId: staff.personId,
      createdAt: runtime.now(),
    };
    // A draft that was in use once, and answered, stays what it was: an undo of its use made it a draft again.
    const isOpen = latest?.version.status === "draft" && !(await isGiven(tx, latest.version.id));
    if (latest && isOpen) {
      if (latest.version.revision !== draft.revision) throw meanwhile(latest);
      const revision = draft.revision + 1;
      await updateDraft(tx, latest.version.id, { ...values, revision });
      return { revision, version: latest.version.number };
    }
    if (draft.revision > 0 && latest?.version.authorId !== staff.personId) throw meanwhile(latest);
    const number = (latest?.version.number ?? 0) + 1;
    await insertDraft(tx, {
      item: item ?? { id: draft.itemId, bankId: draft.bankId, authorId: staff.personId },
      version: { id: `${draft.itemId}@${number}`, number, ...values, revision: 1 },
    });
    return { revision: 1, version: number };
  });
}

/** An item is hung on a passage of any bank that its author may use; what it hangs on already it keeps. */
async function demandPassage(context: Context, tx: Queryable, passageId: string | null): Promise<void> {
  if (passageId === null) return;
  const [passage] = await passagesById(tx, [passageId]);
  if (!passage) throw new Refusal("not-found", "This passage is not in the library any more. Choose again.");
  await demandBank(context, "use", passage.bankId, tx);
}

type Latest = Awaited<ReturnType<typeof versionsOfItem>>[number];

function meanwhile(latest: Latest | undefined): Refusal {
  const who = latest?.givenName ? `${latest.givenName} ${latest.familyName}` : "Somebody";
  return new Refusal(
    "conflict",
    `${who} saved this item while you had it open. Yours is not saved over theirs: look at theirs, or keep yours as a copy.`,
  );
}

async function soundAlignment({ runtime }: Context, { skillIds, standardIds }: Draft): Promise<ItemAlignment> {
  const library = await libraryOf(runtime);
  for (const id of skillIds) library.skill(id);
  const known = await standardsById(runtime.db.read, standardIds);
  if (known.length < new Set(standardIds).size)
    throw new Refusal("not-found", "One of the standards is not in the library any more. Choose again.");
  return { skillIds: [...new Set(skillIds)], standardIds: [...new Set(standardIds)] };
}

const useInput = object({ itemId: string().required(), revision: number().integer().min(1).required() });

/** Puts the draft into use, once a thousand draws of it come out and it stands under a skill. */
export async function putIntoUse(context: Context, raw: unknown): Promise<{ changeId: string; version: number }> {
  const { itemId, revision } = validated(useInput, raw);
  const { runtime } = context;
  const found = await openDraft(runtime.db.read, context, itemId, revision);
  await demandSound(found.body as ItemBody, found.id, itemId);
  const { skillIds, standardIds } = found.alignment ?? { skillIds: [], standardIds: [] };
  if (found.alignment && skillIds.length === 0)
    throw new Refusal("invalid", "Choose the skill that the item is about: it is found, given and reported by it.");
  await demandPictures(runtime.db.read, found.body as ItemBody);
  const { misconceptions } = await libraryOf(runtime);
  if (misconceptionsIn(found.body as ItemBody).some((id) => !misconceptions.has(id)))
    throw new Refusal("invalid", "A wrong answer names a misconception that is not in the library. Choose it again.");
  return runtime.db.write(async (tx) => {
    const draft = await openDraft(tx, context, itemId, revision);
    const [item] = await itemsById(tx, [itemId]);
    const rows: RowChange[] = [
      changed("itemVersions", draft, {
        status: "ready",
        contentHash: contentHash(draft.body),
        createdAt: runtime.now(),
      }),
      ...(draft.alignment ? await alignmentRows(tx, itemId, { skillIds, standardIds }) : []),
    ];
    // The history is read by more people than a restricted bank: there the item stays unsaid.
    const { restricted } = await bankSubject(context, item?.bankId ?? "", tx);
    const line = restricted ? "" : itemLine({ id: draft.id, itemId, body: draft.body as ItemBody }, LINE_LETTERS);
    const changeId = await recordChange(tx, context, {
      kind: "item-put-into-use",
      facts: { line, version: draft.number },
      classId: null,
      subjectIds: item?.bankId ? [item.bankId] : [],
      rows,
    });
    return { changeId, version: draft.number };
  });
}

async function openDraft(db: Queryable, context: Context, itemId: string, revision: number) {
  const [item] = await itemsById(db, [itemId]);
  await demandBank(context, "change", item?.bankId ?? "", db);
  const [latest] = await versionsOfItem(db, itemId);
  if (latest?.version.status !== "draft") throw new Refusal("conflict", "This item is in use as it stands.");
  if (latest.version.revision !== revision) throw meanwhile(latest);
  return latest.version;
}

async function demandSound(body: ItemBody, versionId: string, itemId: string): Promise<void> {
  const look = await lookItOver({ id: versionId, itemId, body }, DRAWS_BEFORE_USE);
  const faults = look.faults.length;
  if (faults > 0)
    throw new Refusal(
      "invalid",
      `The item lacks ${faults === 1 ? "something" : `${faults} things`} yet: see the list beside it.`,
    );
  const failed = "tried" in look ? look.tried - look.drawn : 0;
  if (failed > 0)
    throw new Refusal(
      "invalid",
      `${failed} of ${DRAWS_BEFORE_USE} draws do not come out, so some students would get nothing: see the list beside it.`,
    );
}

/** Rows that put the item under these skills and standards and no others. */
async function alignmentRows(tx: Queryable, itemId: string, wanted: ItemAlignment): Promise<RowChange[]> {
  const [skills, standards] = await Promise.all([skillRowsOf(tx, [itemId]), standardRowsOf(tx, [itemId])]);
  const isSame =
    skills.map(({ skillId }) => skillId).join("\n") === wanted.skillIds.join("\n") &&
    [...standards.map(({ standardId }) => standardId)].sort().join("\n") === [...wanted.standardIds].sort().join("\n");
  if (isSame) return [];
  const gone = (table: string, rows: readonly { readonly id: string }[]): RowChange[] =>
    rows.map((row) => ({ table, id: row.id, before: { ...row }, after: null }));
  return [
    ...gone("itemSkills", skills),
    ...gone("itemStandards", standards),
    ...wanted.skillIds.map((skillId, place) =>
      added("itemSkills", { id: `${itemId}/${skillId}`, itemId, skillId, place }),
    ),
    ...wanted.standardIds.map((standardId) =>
      added("itemStandards", { id: `${itemId}/${standardId}`, itemId, standardId }),
    ),
  ];
}
