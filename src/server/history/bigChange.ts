import "server-only";
import {
  type ChangeRow,
  changeById,
  countRosterChange,
  insertPiece,
  pieceCount,
  piecesOf,
  ROWS_A_PIECE,
  rowsOfPiece,
} from "@/db/queries/history";
import { applyRowChanges, inverse } from "@/db/queries/rowChanges";
import {
  allUnfinished,
  deleteUnfinished,
  insertUnfinished,
  moveUnfinished,
  takeUp,
  type UnfinishedChange,
} from "@/db/queries/unfinishedChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import type { Context } from "../runtime/context";
import { log } from "../runtime/log";
import { Refusal } from "../runtime/refusal";
import type { Runtime } from "../runtime/runtime";
import { type Change, openEntry, recordChange, recordUndone } from "./recordChange";

/** A change of more rows is written piece by piece: in one transaction it would hold up a whole school's answers for seconds. */
const MOST_ROWS_AT_ONCE = 2_000;
/** A piece takes some hundredths of a second; whoever has not gone on for so long has ended, or its process has. */
export const ABANDONED_MILLISECONDS = 30_000;

interface BigChange {
  /** Checks, and says what is to be changed, in the transaction that opens the entry. */
  readonly prepare: (tx: Queryable) => Promise<Change>;
  /** Runs in the transaction that ends it. */
  readonly finish: (tx: Queryable, changeId: string) => Promise<void>;
}

/**
 * Writes a change of any size and records it as one entry. Up to some thousand rows it is one transaction. A larger one is
 * whole or taken back: the entry first, then each piece of rows together with its record, and answers get their turn between the
 * pieces. Meanwhile nothing else is recorded at the school, so that taking back always finds the rows as they were written. Should
 * the process end, `takeUpAbandoned` takes it back by what was recorded. Returns the entry's id.
 */
export async function recordBigChange(context: Context, { prepare, finish }: BigChange): Promise<string> {
  const { runtime } = context;
  const opened = await runtime.db.write(async (tx) => {
    const change = await prepare(tx);
    if (change.rows.length > MOST_ROWS_AT_ONCE)
      return { changeId: await open(tx, context, change), rows: change.rows as readonly RowChange[] };
    const changeId = await recordChange(tx, context, change);
    await finish(tx, changeId);
    return { changeId, rows: null };
  });
  const { changeId, rows } = opened;
  if (rows === null) return changeId;
  const { schoolId } = context.actor;
  const pieces = piecesOf(rows);
  let written = 0;
  try {
    for (const [place, piece] of pieces.entries()) {
      await runtime.db.write(async (tx) => {
        await applyRowChanges(tx, piece);
        await insertPiece(tx, changeId, place, piece);
        await step(tx, runtime, changeId, { from: place, to: place + 1 });
      });
      written = place + 1;
    }
    await runtime.db.write(async (tx) => {
      await finish(tx, changeId);
      await end(tx, { changeId, schoolId });
    });
  } catch (error) {
    if (!(error instanceof TakenUp)) await takeBack(runtime, { changeId, schoolId, pieces: written });
    throw error;
  }
  return changeId;
}

/** Another process found this change abandoned, since this one was held up for so long, and goes on with it. */
class TakenUp extends Refusal {
  /** This class alone: that of all refusals is wider. */
  static override [Symbol.hasInstance](value: unknown): boolean {
    return Object.prototype.isPrototypeOf.call(TakenUp.prototype, Object(value));
  }

  constructor() {
    super("conflict", "This took too long and was taken back meanwhile. Nothing was changed; please try again.");
  }
}

/** Moves a change by one piece, in the transaction that writes it; refused when somebody else has moved it meanwhile. */
async function step(
  tx: Queryable,
  runtime: Runtime,
  changeId: string,
  { from, to }: { readonly from: number; readonly to: number },
): Promise<void> {
  if (!(await moveUnfinished(tx, changeId, from, { pieces: to, at: runtime.now() }))) throw new TakenUp();
}

async function open(tx: Queryable, context: Context, change: Change): Promise<string> {
  const { schoolId } = context.actor;
  const changeId = await openEntry(tx, context, change);
  await insertUnfinished(tx, { changeId, schoolId, direction: "forward", pieces: 0, at: context.runtime.now() });
  return changeId;
}

/** What was read of the roster meanwhile was half of one thing and half of another. */
async function end(tx: Queryable, { changeId, schoolId }: Pick<UnfinishedChange, "changeId" | "schoolId">) {
  if (!(await deleteUnfinished(tx, changeId))) throw new TakenUp();
  await countRosterChange(tx, schoolId);
}

type Under = Pick<UnfinishedChange, "changeId" | "schoolId" | "pieces">;

/**
 * Takes back what is written of a change, and says so in the history. Where that fails, all that was written stays in force, and its
 * entry can be taken back by whoever mends the cause: a school is never shut for a change that goes neither way.
 */
async function takeBack(runtime: Runtime, under: Under): Promise<void> {
  try {
    await goBack(runtime, under);
    await runtime.db.write((tx) => endTakenBack(tx, runtime, under, null));
  } catch (error) {
    if (error instanceof TakenUp) return;
    log("error", "half of a change could not be taken back", { error, details: { changeId: under.changeId } });
    await goForward(runtime, under);
  }
}

/** Takes back the pieces in force, the last one first. */
async function goBack(runtime: Runtime, { changeId, pieces }: Under): Promise<void> {
  for (let place = pieces - 1; place >= 0; place--)
    await runtime.db.write(async (tx) => {
      await applyRowChanges(tx, inverse(await rowsOfPiece(tx, changeId, place)));
      await step(tx, runtime, changeId, { from: place + 1, to: place });
    });
}

async function endTakenBack(tx: Queryable, runtime: Runtime, under: Under, actorId: string | null): Promise<void> {
  const change = await changeById(tx, under.changeId);
  if (change) await recordUndone(tx, runtime, change, actorId);
  await end(tx, under);
}

/** Begins to take a change back, where it is too large for one transaction; false where it is not. */
export async function beginBigUndo(
  tx: Queryable,
  runtime: Runtime,
  { id: changeId, schoolId }: Pick<ChangeRow, "id" | "schoolId">,
): Promise<boolean> {
  const pieces = await pieceCount(tx, changeId);
  if (pieces * ROWS_A_PIECE <= MOST_ROWS_AT_ONCE) return false;
  await insertUnfinished(tx, { changeId, schoolId, direction: "back", pieces, at: runtime.now() });
  return true;
}

/**
 * Goes on with it, piece by piece, once `check` has found the rows as the change left them; nothing else can be recorded
 * meanwhile. Where a piece can't be taken back, those that were come into force again, and the error is thrown on.
 */
export async function goOnWithUndo(
  { runtime, actor }: Context,
  { id: changeId, schoolId }: Pick<ChangeRow, "id" | "schoolId">,
  check: () => Promise<void>,
): Promise<void> {
  const under = { changeId, schoolId, pieces: await pieceCount(runtime.db.read, changeId) };
  try {
    await check();
    await goBack(runtime, under);
  } catch (error) {
    if (!(error instanceof TakenUp)) await goForward(runtime, under);
    throw error;
  }
  await runtime.db.write((tx) => endTakenBack(tx, runtime, under, actor.personId));
}

/** Puts those recorded pieces into force again that were taken back. */
async function goForward(runtime: Runtime, { changeId, schoolId }: Omit<Under, "pieces">): Promise<void> {
  const pieces = await pieceCount(runtime.db.read, changeId);
  const left = (await allUnfinished(runtime.db.read)).find((row) => row.changeId === changeId);
  for (let place = left?.pieces ?? pieces; place < pieces; place++)
    await runtime.db.write(async (tx) => {
      await applyRowChanges(tx, await rowsOfPiece(tx, changeId, place));
      await step(tx, runtime, changeId, { from: place, to: place + 1 });
    });
  await runtime.db.write((tx) => end(tx, { changeId, schoolId }));
}

/**
 * Ends the changes that nobody goes on with, because their process ended: one that was being written is taken back; one that was being
 * taken back comes into force again, since nobody has seen to it that its rows were still as it left them.
 */
export async function takeUpAbandoned(runtime: Runtime): Promise<void> {
  for (const change of await allUnfinished(runtime.db.read)) {
    const now = runtime.now();
    if (now - change.at < ABANDONED_MILLISECONDS) continue;
    if (!(await runtime.db.write((tx) => takeUp(tx, change, now)))) continue;
    log("warn", "a change whose process ended is taken up", { details: { changeId: change.changeId } });
    if (change.direction === "forward") await takeBack(runtime, change);
    else await goForward(runtime, change);
  }
}
