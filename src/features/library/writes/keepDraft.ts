import "server-only";
import { forgetLibraryDrafts, insertLibraryDraft, type LibraryDraftRow } from "@/db/queries/libraryDrafts";
import type { StaffActor } from "@/server/access/policy";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";

const MOST_BYTES = 60_000_000;
/** Files are kept so long after they came; of those that wait, so many a person. */
const KEPT_MILLISECONDS = 30 * 86_400_000;
const MOST_WAITING = 9;

type Draft = Pick<LibraryDraftRow, "kind" | "fileName"> & Partial<Pick<LibraryDraftRow, "bankId" | "skillId">>;

/** Refuses a file without anything in it, or with far too much. */
export function demandSize(bytes: Uint8Array): void {
  if (bytes.length === 0) throw new Refusal("invalid", "The file is empty. Is it the right file?");
  if (bytes.length > MOST_BYTES)
    throw new Refusal(
      "invalid",
      `The file is larger than ${MOST_BYTES / 1_000_000} MB. Split it, or leave pictures out.`,
    );
}

/** Keeps a file as a draft, and forgets those that nobody wants any more. Returns the draft's id. */
export async function keepDraft(runtime: Runtime, staff: StaffActor, bytes: Uint8Array, draft: Draft): Promise<string> {
  const id = runtime.newId();
  const { personId: ownerId, schoolId } = staff;
  const createdAt = runtime.now();
  await runtime.db.write(async (tx) => {
    await insertLibraryDraft(tx, { id, ownerId, schoolId, bytes: Buffer.from(bytes), createdAt, ...draft });
    await forgetLibraryDrafts(tx, { ownerId, before: createdAt - KEPT_MILLISECONDS, mostWaiting: MOST_WAITING });
  });
  return id;
}
