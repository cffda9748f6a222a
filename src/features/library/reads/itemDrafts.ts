import "server-only";
import { wasUndone } from "@/db/queries/history";
import { bytesOfLibraryDraft, type LibraryDraftRow, libraryDraftById } from "@/db/queries/libraryDrafts";
import type { Queryable } from "@/db/queryable";
import type { ReadItem } from "@/formats/exchange/exchangeItem";
import { type ItemFileReading, itemFileKind } from "@/formats/exchange/readItemFile";
import { demandBank } from "@/server/access/bankSubject";
import { demand } from "@/server/access/demand";
import { DRAWS_BEFORE_USE, lookItOver } from "@/server/library/lookOver";
import type { Context } from "@/server/runtime/context";
import { readItems } from "@/server/runtime/exchangeThread";
import { type FileJob, fileJobs } from "@/server/runtime/fileJobs";
import { Refusal } from "@/server/runtime/refusal";

/** Draws tried of an item that is drawn anew, and of one that is always the same. */
const DRAWS = { model: DRAWS_BEFORE_USE, plain: 1 } as const;
const LOOKED_AT_ONCE = 2;

/** An item of the file with how its draws came out. */
export interface LookedRead extends ReadItem {
  /** Draws that did not come out; 0 where all did, and where it was not taken. */
  readonly failed: number;
  readonly isTooSlow: boolean;
}

export type ReadFile =
  | Extract<ItemFileReading, { ok: false }>
  | (Omit<Extract<ItemFileReading, { ok: true }>, "items"> & { readonly items: readonly LookedRead[] });

export interface ItemProgress {
  readonly done: number;
  readonly of: number;
  readonly what: "reading" | "trying";
}

const jobs = fileJobs<ReadFile, ItemProgress>("items");

/** The draft, when the actor may go on with it and may still change the bank. */
export async function openItemDraft(
  db: Queryable,
  context: Context,
  draftId: string,
): Promise<LibraryDraftRow & { readonly bankId: string }> {
  const draft = await libraryDraftById(db, draftId);
  if (!draft || draft.kind === "framework" || draft.bankId === null)
    throw new Refusal("not-found", "This file is not known. Choose it again.");
  demand(context.actor, "change", { kind: "draft", authorId: draft.ownerId });
  await demandBank(context, "change", draft.bankId, db);
  return { ...draft, bankId: draft.bankId };
}

export const isApplied = async (db: Queryable, draft: LibraryDraftRow): Promise<boolean> =>
  draft.appliedAt !== null && !(draft.changeId !== null && (await wasUndone(db, draft.changeId)));

/** Starts reading the draft's file, or goes on with what is being read or was read already. */
export function itemJobOf({ runtime }: Context, draft: LibraryDraftRow): FileJob<ReadFile, ItemProgress> {
  return jobs.start(runtime, {
    draftId: draft.id,
    // A file says the same whatever changes around it.
    fingerprint: draft.id,
    atFirst: { done: 0, of: 0, what: "reading" },
    read: async (signal, progress) => {
      const bytes = await bytesOfLibraryDraft(runtime.db.read, draft.id);
      const reading = await readItems(
        { kind: itemFileKind(bytes), fileName: draft.fileName, bytes },
        (done, of) => progress({ done, of, what: "reading" }),
        signal,
      );
      if (!reading.ok) return reading;
      return { ...reading, items: await lookedOver(reading.items, signal, progress) };
    },
  });
}

export const stopItemJob = ({ runtime }: Context, draftId: string): void => jobs.stop(runtime, draftId);

/** Every item is drawn once before anybody could be given it; what an expression does not end is stopped. */
async function lookedOver(
  all: readonly ReadItem[],
  signal: AbortSignal,
  progress: (at: ItemProgress) => void,
): Promise<LookedRead[]> {
  const looked: LookedRead[] = [];
  let next = 0;
  const one = async () => {
    while (next < all.length) {
      const place = next++;
      const read = all[place];
      if (!read) return;
      if (signal.aborted) throw new Refusal("closed", "Reading the file was stopped. Nothing was changed.");
      looked[place] = await lookedAt(read);
      if (place % 20 === 0) progress({ done: place, of: all.length, what: "trying" });
    }
  };
  await Promise.all(Array.from({ length: LOOKED_AT_ONCE }, one));
  return looked;
}

async function lookedAt(read: ReadItem): Promise<LookedRead> {
  if (!read.item) return { ...read, failed: 0, isTooSlow: false };
  const { id, body } = read.item;
  const draws = Object.keys(body.parameters).length > 0 ? DRAWS.model : DRAWS.plain;
  try {
    const look = await lookItOver({ id, itemId: id, body }, draws, 0);
    return { ...read, failed: "tried" in look ? look.tried - look.drawn : draws, isTooSlow: false };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { ...read, failed: draws, isTooSlow: true };
  }
}
