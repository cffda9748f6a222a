import "server-only";
import { checkItem, type ItemResponse, receivedResponse } from "@/core/items/checkItem";
import type { AnswerPlace } from "@/core/work/placeAnswer";
import { errorKind } from "@/db/errorKind";
import { keepUncounted, moveSitting } from "@/db/queries/answering";
import type { SittingItemRow } from "@/db/queries/sittings";
import { isKeptKey, keepStanding, type StandingAnswerRow } from "@/db/queries/standingAnswers";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf } from "@/server/runtime/school";
import { freshRun, keepRun } from "../reads/keptRuns";
import { drawnOf, type Run } from "../reads/run";
import type { AnswerReply, NotCounted } from "../types";
import { NOT_COUNTED, unreadableMessage } from "../words";
import type { Answer } from "./answerMessage";
import { addLate } from "./handIn";
import { notCounted, placeOf, replyOf, type Source } from "./replies";
import { whatIsTold } from "./whatIsTold";

/** Thrown to take back what was written from a run that is behind. */
class Behind extends Error {}

/**
 * Keeps an answer that may be changed until the whole is handed in: the one that was given last stands, whatever device it comes from, and the one
 * whose place it takes is kept aside. The same key again changes nothing. Null when the run is, or may be, behind.
 */
export async function keepAnswer(
  context: Context,
  run: Run,
  answer: Answer,
  { isKept, generation }: Source,
): Promise<AnswerReply | null> {
  const { runtime } = context;
  const item = run.items.find(({ id }) => id === answer.presentationId);
  if (!item && isKept) return null;
  if (!item) throw new Refusal("not-found", "This item is not part of your work.");
  const taken = { status: "taken" as const, presentationId: item.id };
  if (await isKeptKey(runtime.db.read, answer.key)) return replyOf(runtime.now(), run, taken, null, answer);
  const place = await placeOf(context, run, answer, run.sitting.startedAt);
  const reason = whyNot(run, place);
  if (reason === "over" && place.standing === "late-claim") return lateAnswer(context, run, item, answer, place);
  if (reason && isKept) return null;
  if (reason) return notCounted(context, run, item, answer, { place, reason, message: NOT_COUNTED[reason] });
  const read = await readable(context, run, item, answer);
  if ("message" in read)
    return notCounted(context, run, item, answer, { place, reason: "unreadable", message: read.message });
  const before = run.standing.get(item.id) ?? null;
  const fresh = standingRow(runtime.now(), item, answer, place, read.response);
  const [stands, aside] = before && before.givenAt > fresh.givenAt ? [before, fresh] : [fresh, before];
  // Put up a flag, and nothing was changed.
  const isSame = before !== null && JSON.stringify(before.response) === JSON.stringify(fresh.response);
  const standing = new Map(run.standing).set(item.id, stands);
  const sitting = {
    ...run.sitting,
    lastAt: Math.max(run.sitting.lastAt, place.givenAt),
    itemsDone: standing.size,
    progressPermille: Math.round((1000 * standing.size) / Math.max(1, run.items.length)),
    activeMilliseconds: run.sitting.activeMilliseconds + Math.max(0, fresh.milliseconds - (before?.milliseconds ?? 0)),
  };
  try {
    await runtime.db.write(async (tx) => {
      if (!(await moveSitting(tx, sitting))) throw new Behind();
      if (stands === fresh) await keepStanding(tx, fresh);
      if (aside && !isSame) await keepUncounted(tx, asideRow(run, aside));
    });
  } catch (error) {
    if (error instanceof Behind) return null;
    // The same answer was taken at this moment.
    if (errorKind(error) === "unique") return null;
    throw error;
  }
  const next: Run = { ...run, sitting: { ...sitting, version: run.sitting.version + 1 }, standing };
  keepRun(runtime, next, generation);
  return replyOf(runtime.now(), next, taken, null, answer);
}

function whyNot({ sitting, work }: Run, place: AnswerPlace): Exclude<NotCounted, "unreadable"> | null {
  if (sitting.finishedAt !== null) return "over";
  if (work.withdrawnAt !== null) return "withdrawn";
  return place.standing === "too-late" ? "too-late" : null;
}

async function readable(
  { runtime }: Context,
  run: Run,
  item: SittingItemRow,
  answer: Answer,
): Promise<{ readonly response: ItemResponse } | { readonly message: string }> {
  const drawn = drawnOf(run, item);
  const response = receivedResponse(drawn, answer.response);
  if (!response)
    return { message: unreadableMessage({ readable: false, partId: "", reason: "no-such-option" }, drawn) };
  const verdict = checkItem(drawn, response, (await schoolOf(runtime, run.schoolId)).decimalMark);
  return verdict.readable ? { response } : { message: unreadableMessage(verdict, drawn) };
}

function standingRow(
  now: number,
  item: SittingItemRow,
  answer: Answer,
  place: AnswerPlace,
  response: ItemResponse,
): StandingAnswerRow {
  return {
    sittingItemId: item.id,
    key: answer.key,
    response,
    screen: answer.screen ?? null,
    flagged: answer.flagged ?? false,
    ...whatIsTold(answer, item, now),
    givenAt: place.givenAt,
    recordedAt: now,
    lateClaim: place.standing === "late-claim",
  };
}

const asideRow = (run: Run, { key, sittingItemId, response, givenAt, recordedAt }: StandingAnswerRow) => ({
  key,
  personId: run.personId,
  sittingItemId,
  sent: JSON.stringify(response),
  reason: "changed" as const,
  givenAt,
  recordedAt,
});

/** An answer that waited on a device while the test was handed in by itself: it counts like the others, by a score in the place of the first. */
async function lateAnswer(
  context: Context,
  run: Run,
  item: SittingItemRow,
  answer: Answer,
  place: AnswerPlace,
): Promise<AnswerReply | null> {
  const { runtime } = context;
  const isByItself = run.sitting.finishReason === "time-up";
  const read = isByItself ? await readable(context, run, item, answer) : null;
  if (!read || "message" in read) {
    const [reason, message] = read ? (["unreadable", read.message] as const) : (["over", NOT_COUNTED.over] as const);
    return notCounted(context, run, item, answer, { place, reason, message });
  }
  const row = standingRow(runtime.now(), item, answer, place, read.response);
  if (!(await runtime.db.write((tx) => addLate(tx, runtime, run, item, row)))) return null;
  const next = (await freshRun(runtime, run.sitting.id)) ?? run;
  return replyOf(runtime.now(), next, { status: "taken", presentationId: item.id }, null, answer);
}
