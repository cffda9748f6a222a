import "server-only";
import { checkAnswer } from "@/core/answers/checkAnswer";
import { dayNumber } from "@/core/calendar/dayNumber";
import { type AnswerPlace, placeAnswer } from "@/core/work/placeAnswer";
import { type AnswerRow, answerBySerial, insertAnswer, keepUncounted } from "@/db/queries/answerLog";
import { situationOfAnswer, updateSitting } from "@/db/queries/delivery";
import type { Queryable } from "@/db/queryable";
import type { Presentation } from "@/db/schema/delivery";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import type { AnswerOutcome, AnswerReply, NotCounted } from "../types";
import { feedbackOn, NOT_COUNTED, unreadableMessage } from "../words";
import { type Answer, answerMessage, MOST_TRIES } from "./answerMessage";
import { progressOf } from "./chooseNext";
import { judgeReteach } from "./judgeReteach";
import { goOn, loadSitting, type OpenSitting } from "./sitting";
import { sittingView } from "./sittingView";
import { summarise } from "./summaries";
import { whatIsTold } from "./whatIsTold";

const HOUR = 3_600_000;

/**
 * Scores one answer and goes on to the next item, in one transaction. The same key again gives the same outcome and writes
 * nothing. What can't count is kept with its reason, and the reply says so.
 */
export async function submitAnswer(context: Context, input: unknown): Promise<AnswerReply> {
  const answer = validated(answerMessage, input);
  return context.runtime.db.write(async (tx) => {
    const found = await situationOfAnswer(tx, answer.sittingId, answer.key);
    if (!found) throw new Refusal("not-found", "This work is not on your list.");
    const { sitting, work } = found;
    demand(context.actor, "work-on", { kind: "sitting", personId: sitting.personId, classId: work.classId });
    const open = await loadSitting(tx, context, found);
    const presentation = sitting.presentations.find((p) => p.id === answer.presentationId);
    if (!presentation) throw new Refusal("not-found", "This item is not part of your work.");

    // A foreign answer with this key can only be a forgery: keys are random.
    const known = found.knownSerial === null ? null : await answerBySerial(tx, found.knownSerial);
    if (known && known.personId !== sitting.personId)
      throw new Refusal("not-allowed", "This answer belongs to somebody else.");
    if (known) return replyOf(context, open, outcomeOf(open, presentation, known), known);

    const place = await placeOf(context, open, answer);
    const reason = whyNotCounted(open, presentation, answer, place);
    if (reason) return keepAside(tx, context, open, answer, place, reason, NOT_COUNTED[reason]);
    const item = itemOf(open, presentation);
    const check = checkAnswer(item, answer.answer);
    if (check.verdict === "unreadable") {
      const message = unreadableMessage(check.reason, item.unit?.word ?? null);
      return keepAside(tx, context, open, answer, place, "unreadable", message);
    }
    return score(tx, context, open, presentation, answer, place, check);
  });
}

/** When the answer was given, as far as the server believes it. */
async function placeOf({ runtime, actor }: Context, open: OpenSitting, answer: Answer): Promise<AnswerPlace> {
  const { lateGraceHours } = await schoolOf(runtime, actor.schoolId);
  return placeAnswer({
    now: runtime.now(),
    agoMilliseconds: answer.agoMilliseconds ?? 0,
    notBefore: open.sitting.lastAt,
    dueAt: open.work.dueAt,
    keptOnDevice: answer.offline,
    graceMilliseconds: lateGraceHours * HOUR,
  });
}

/**
 * Why an answer can't count; null when it can. Only the open item is answered, and once the work has ended nothing is. Without
 * a connection the device goes through the reserve in the order in which it was given, so the first of it may come too.
 */
function whyNotCounted(
  { sitting, work }: OpenSitting,
  presentation: Presentation,
  answer: Answer,
  place: AnswerPlace,
): Exclude<NotCounted, "unreadable"> | null {
  if (presentation.state === "done" || answer.tryNumber !== presentation.tries + 1) return "elsewhere";
  if (sitting.finishedAt !== null) return "over";
  const firstInReserve = sitting.presentations.find(({ state }) => state === "reserve");
  const itsTurn = presentation.state === "open" || (answer.offline && presentation.id === firstInReserve?.id);
  if (!itsTurn) return "elsewhere";
  if (work.withdrawnAt !== null) return "withdrawn";
  return place.standing === "too-late" ? "too-late" : null;
}

async function keepAside(
  tx: Queryable,
  context: Context,
  open: OpenSitting,
  answer: Answer,
  { givenAt }: AnswerPlace,
  reason: NotCounted,
  message: string,
): Promise<AnswerReply> {
  const { key, presentationId, answer: raw } = answer;
  const { id: sittingId, personId, workId } = open.sitting;
  const recordedAt = context.runtime.now();
  await keepUncounted(tx, { key, personId, workId, sittingId, presentationId, raw, reason, givenAt, recordedAt });
  return replyOf(context, open, { status: "not-counted", presentationId, reason, message }, null);
}

async function score(
  tx: Queryable,
  context: Context,
  open: OpenSitting,
  presentation: Presentation,
  answer: Answer,
  { givenAt, standing }: AnswerPlace,
  check: { readonly verdict: "right" | "wrong"; readonly misconceptionId: string | null },
): Promise<AnswerReply> {
  const { sitting, work, library, situation } = open;
  const { skillId, modelId, modelVersion, seed } = presentation;
  const skill = library.skill(skillId);
  const now = context.runtime.now();
  const school = await schoolOf(context.runtime, context.actor.schoolId);
  const row = {
    key: answer.key,
    personId: sitting.personId,
    workId: work.id,
    sittingId: sitting.id,
    presentationId: presentation.id,
    skillId,
    modelId,
    modelVersion,
    seed,
    context: presentation.context,
    tryNumber: answer.tryNumber,
    raw: answer.answer,
    right: check.verdict === "right",
    misconceptionId: check.misconceptionId,
    ...whatIsTold(answer, presentation, now),
    givenAt,
    recordedAt: now,
    day: dayNumber(dayAt(school, givenAt)),
    lateClaim: standing === "late-claim",
    grade: situation.grade,
    skillDifficulty: skill.difficulty,
    ...library.parameters(modelId, modelVersion, seed, skillId),
  };
  await insertAnswer(tx, row);
  const state = await summarise(tx, situation.states.get(skill.id) ?? null, row);
  const over = row.right || answer.offline || work.kind === "check" || answer.tryNumber >= MOST_TRIES;
  const moved = await moveOn(tx, context, open, presentation, {
    tries: answer.tryNumber,
    over,
    offline: answer.offline,
    givenAt,
    rightFirst: row.right && answer.tryNumber === 1,
    states: new Map(situation.states).set(skill.id, state),
  });
  const stored = { ...row, serial: 0 };
  return replyOf(
    context,
    moved,
    outcomeOf(moved, { ...presentation, state: over ? "done" : presentation.state }, stored),
    stored,
  );
}

interface Step {
  readonly tries: number;
  readonly over: boolean;
  readonly offline: boolean;
  readonly givenAt: number;
  readonly rightFirst: boolean;
  readonly states: OpenSitting["situation"]["states"];
}

/** Closes the try, moves the progress, and opens the next item; stores the sitting. */
async function moveOn(
  tx: Queryable,
  context: Context,
  open: OpenSitting,
  presentation: Presentation,
  step: Step,
): Promise<OpenSitting> {
  const now = context.runtime.now();
  const answered: Presentation = {
    ...presentation,
    tries: step.tries,
    state: step.over ? "done" : presentation.state,
    tryFrom: now,
    rightFirst: presentation.rightFirst ?? step.rightFirst,
  };
  const presentations = withAnswered(open.situation.presentations, answered);
  const situation = { ...open.situation, states: step.states, presentations };
  const end = progressOf(situation, open.library);
  const sitting: OpenSitting["sitting"] = {
    ...open.sitting,
    presentations,
    lastAt: step.givenAt,
    itemsDone: presentations.filter((p) => p.state === "done").length,
    itemsRight: open.sitting.itemsRight + (step.rightFirst ? 1 : 0),
    progressPermille: Math.round(end.progress * 1000),
    ...(end.done ? { finishedAt: now, finishReason: end.reason } : {}),
  };
  const moved: OpenSitting = { ...open, sitting, situation };
  const next = sitting.finishedAt === null ? goOn(context, moved, { inOrder: step.offline }) : moved;
  await updateSitting(tx, next.sitting);
  if (end.done && open.work.kind === "check") await judgeReteach(tx, next);
  return next;
}

/** The items with the answered one in its place; one that came from the reserve was shown before what is open now. */
function withAnswered(presentations: readonly Presentation[], answered: Presentation): readonly Presentation[] {
  const others = presentations.filter(({ id }) => id !== answered.id);
  const place = presentations.findIndex(({ id }) => id === answered.id);
  const openPlace = others.findIndex(({ state }) => state === "open");
  return others.toSpliced(openPlace >= 0 && openPlace < place ? openPlace : place, 0, answered);
}

const itemOf = ({ library }: OpenSitting, { modelId, modelVersion, seed, context }: Presentation) =>
  library.item(modelId, modelVersion, seed, context);

function replyOf({ runtime }: Context, open: OpenSitting, outcome: AnswerOutcome, last: AnswerRow | null): AnswerReply {
  return { outcome, sitting: sittingView(open, last, runtime.now()) };
}

function outcomeOf(open: OpenSitting, presentation: Presentation, answer: AnswerRow): AnswerOutcome {
  if (open.work.kind === "check") return { status: "taken", presentationId: presentation.id };
  const misconception = answer.misconceptionId
    ? (open.library.misconceptions.get(answer.misconceptionId) ?? null)
    : null;
  const itemOver = presentation.state === "done";
  const feedback = feedbackOn(itemOf(open, presentation), {
    right: answer.right,
    misconception,
    itemOver,
    tryNumber: answer.tryNumber,
  });
  return { status: "scored", presentationId: presentation.id, feedback, itemOver };
}
