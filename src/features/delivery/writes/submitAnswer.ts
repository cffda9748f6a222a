import "server-only";
import { checkItem, type ItemResponse, type ItemVerdict, receivedResponse } from "@/core/items/checkItem";
import type { AnswerPlace } from "@/core/work/placeAnswer";
import { errorKind } from "@/db/errorKind";
import type { SittingItemRow } from "@/db/queries/sittings";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf } from "@/server/runtime/school";
import { forgetRunOf, freshRun, keepRun, keptRun, runGeneration } from "../reads/keptRuns";
import { drawnOf, type Run, subjectOfRun } from "../reads/run";
import type { GivenAnswer } from "../reads/sittingView";
import type { AnswerReply, NotCounted } from "../types";
import { NOT_COUNTED, unreadableMessage } from "../words";
import { type Answer, readAnswer } from "./answerMessage";
import { keepAnswer } from "./keepAnswer";
import { givenBefore, itemOf, notCounted, outcomeOf, placeOf, replyOf, type Source } from "./replies";
import { stepOn } from "./stepOn";
import { storeStep } from "./storeStep";

/** How often an answer is worked out anew because somebody else moved the sitting meanwhile. */
const MOST_ATTEMPTS = 4;

/**
 * Scores one answer and goes on to the next item. Everything is worked out from the run as it is known, and written whole or
 * not at all; when somebody else has moved the sitting meanwhile, it is read and worked out anew. The same key again gives the
 * same outcome and writes nothing. What can't count is kept with its reason, and the reply says so.
 */
export async function submitAnswer(context: Context, input: unknown): Promise<AnswerReply> {
  const answer = readAnswer(input);
  const { runtime, actor } = context;
  for (let attempt = 1; attempt <= MOST_ATTEMPTS; attempt++) {
    const kept = attempt === 1 ? await keptRun(runtime, actor.personId, answer.sittingId) : null;
    const generation = runGeneration(runtime);
    const run = kept ?? (await freshRun(runtime, answer.sittingId));
    if (!run) throw new Refusal("not-found", "This work is not on your list.");
    demand(actor, "work-on", subjectOfRun(run));
    if (run.conductor.onPaper) throw new Refusal("closed", "This is done on paper. Your teacher hands it out.");
    const source = { isKept: kept !== null, generation };
    const isWhole = run.conductor.isHandedInWhole(run.part.settings);
    const reply = await (isWhole ? keepAnswer : takeAnswer)(context, run, answer, source);
    if (reply) return reply;
    forgetRunOf(runtime, run.personId);
  }
  throw new Refusal("unavailable", "This work is being changed in several places at once. Try again in a moment.");
}

/** One attempt; null when the run is, or may be, behind. */
async function takeAnswer(
  context: Context,
  run: Run,
  answer: Answer,
  { isKept, generation }: Source,
): Promise<AnswerReply | null> {
  const item = run.items.find(({ id }) => id === answer.presentationId);
  if (!item && isKept) return null;
  if (!item) throw new Refusal("not-found", "This item is not part of your work.");
  const place = await placeOf(context, run, answer, run.sitting.lastAt);
  const reason = whyNotCounted(run, item, answer, place);
  if (reason && isKept) return null;
  if (reason) return notCounted(context, run, item, answer, { place, reason, message: NOT_COUNTED[reason] });
  if (answer.setAside === true && !run.conductor.setsAside)
    throw new Refusal("invalid", "In this work nothing can be set aside. Answer as well as you can.");
  if (answer.setAside === true) return score(context, run, item, answer, { place, ...SET_ASIDE, generation });
  const drawn = drawnOf(run, item);
  const response = receivedResponse(drawn, answer.response);
  const verdict: ItemVerdict = response
    ? checkItem(drawn, response, (await schoolOf(context.runtime, run.schoolId)).decimalMark)
    : { readable: false, partId: "", reason: "no-such-option" };
  if (!verdict.readable || !response) {
    const message = verdict.readable ? "" : unreadableMessage(verdict, drawn);
    return notCounted(context, run, item, answer, { place, reason: "unreadable", message });
  }
  return score(context, run, item, answer, { place, response, verdict, generation });
}

/** Neither right nor wrong: no part of it is judged. */
const SET_ASIDE: Pick<Scored, "response" | "verdict"> = {
  response: {},
  verdict: { readable: true, right: false, parts: [], waiting: [] },
};

/**
 * Why an answer can't count; null when it can. Only the open item is answered, and once the work has ended nothing is. Without
 * a connection the device goes through the reserve in the order in which it was given, so the first of it may come too.
 */
function whyNotCounted(
  { sitting, work, items }: Run,
  item: SittingItemRow,
  answer: Answer,
  place: AnswerPlace,
): Exclude<NotCounted, "unreadable"> | null {
  if (item.state === "done" || answer.tryNumber !== item.tries + 1) return "elsewhere";
  if (sitting.finishedAt !== null) return "over";
  const firstInReserve = items.find(({ state }) => state === "reserve");
  const itsTurn = item.state === "open" || (answer.offline && item.id === firstInReserve?.id);
  if (!itsTurn) return "elsewhere";
  if (work.withdrawnAt !== null) return "withdrawn";
  return place.standing === "too-late" ? "too-late" : null;
}

interface Scored {
  readonly place: AnswerPlace;
  readonly response: ItemResponse;
  readonly verdict: Extract<ItemVerdict, { readable: true }>;
  readonly generation: number;
}

async function score(
  { runtime }: Context,
  run: Run,
  item: SittingItemRow,
  answer: Answer,
  scored: Scored,
): Promise<AnswerReply | null> {
  const step = await stepOn(runtime, run, item, { answer, ...scored });
  try {
    if (!(await storeStep(runtime, run, step))) return null;
  } catch (error) {
    // The same answer was taken at this moment, or the key is another answer's.
    if (errorKind(error) === "unique") return givenBefore(runtime, run, item, answer);
    throw error;
  }
  const next: Run = { ...step.next, sitting: { ...step.next.sitting, version: run.sitting.version + 1 } };
  keepRun(runtime, next, scored.generation);
  const given: GivenAnswer = { ...step.write.answer, scores: step.write.scores };
  return replyOf(runtime.now(), next, outcomeOf(next, itemOf(next, item), given), given, answer);
}
