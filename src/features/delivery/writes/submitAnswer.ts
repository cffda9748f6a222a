import "server-only";
import { boolean, number, object, string } from "yup";
import { checkAnswer } from "@/core/answers/checkAnswer";
import type { Queryable } from "@/db/connection";
import { type AnswerRow, answerBySerial, insertAnswer, situationOfAnswer, updateSitting } from "@/db/queries/delivery";
import type { Presentation } from "@/db/schema/delivery";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";
import type { AnswerOutcome, AnswerReply } from "../types";
import { feedbackOn, unreadableMessage } from "../words";
import { progressOf } from "./chooseNext";
import { goOn, loadSitting, type OpenSitting } from "./sitting";
import { sittingView } from "./sittingView";
import { summarise } from "./summaries";

/** First try and one more. */
const MOST_TRIES = 2;
/** A lid closed over an item would count as hours of work. */
const MOST_MILLISECONDS = 10 * 60_000;

const message = object({
  key: uuid(),
  sittingId: string().required(),
  presentationId: string().required(),
  tryNumber: number().integer().min(1).max(MOST_TRIES).required(),
  answer: string().max(200, "This answer is too long.").defined(),
  hintsUsed: number().integer().min(0).max(9).required(),
  milliseconds: number().min(0).required(),
  givenAt: number().integer().required(),
  offline: boolean().required(),
});

/**
 * Scores one answer and goes on to the next item, in one transaction. The same key again gives the same outcome and writes
 * nothing. Answers given before the due time count even when they arrive later.
 */
export async function submitAnswer(context: Context, input: unknown): Promise<AnswerReply> {
  const answer = validated(message, input);
  return context.runtime.db.write(async (tx) => {
    const found = await situationOfAnswer(tx, answer.sittingId, answer.key);
    if (!found) throw new Refusal("not-found", "This work is not on your list.");
    const { sitting, work } = found;
    demand(context.actor, "work-on", { kind: "sitting", personId: sitting.personId, classId: work.classId });
    const open = await loadSitting(tx, context, found);
    const presentation = open.situation.presentations.find((p) => p.id === answer.presentationId);
    if (!presentation) throw new Refusal("not-found", "This item is not part of your work.");
    const reply = (outcome: AnswerOutcome, now: OpenSitting = open, last: AnswerRow | null = null): AnswerReply => ({
      outcome,
      sitting: sittingView(now, last),
    });

    // A foreign answer with this key can only be a forgery: keys are random.
    const known = found.knownSerial === null ? null : await answerBySerial(tx, found.knownSerial);
    if (known) {
      if (known.personId !== sitting.personId)
        throw new Refusal("not-allowed", "This answer belongs to somebody else.");
      return reply(outcomeOf(open, presentation, known), open, known);
    }
    if (presentation.state === "done" || answer.tryNumber !== presentation.tries + 1) {
      return reply({ status: "elsewhere", presentationId: presentation.id });
    }
    if (work.withdrawnAt !== null || (answer.givenAt > work.dueAt && context.runtime.now() > work.dueAt)) {
      return reply({
        status: "closed",
        presentationId: presentation.id,
        message: "The time for this work is over. Ask your teacher to open it again.",
      });
    }
    const item = open.library.item(
      presentation.modelId,
      presentation.modelVersion,
      presentation.seed,
      presentation.context,
    );
    const check = checkAnswer(item, answer.answer);
    if (check.verdict === "unreadable") {
      const text = unreadableMessage(check.reason, item.unit?.word ?? null);
      return reply({ status: "unreadable", presentationId: presentation.id, message: text });
    }
    const skill = open.library.skill(presentation.skillId);
    const row = {
      key: answer.key,
      personId: sitting.personId,
      workId: work.id,
      sittingId: sitting.id,
      presentationId: presentation.id,
      skillId: presentation.skillId,
      modelId: presentation.modelId,
      modelVersion: presentation.modelVersion,
      seed: presentation.seed,
      context: presentation.context,
      tryNumber: answer.tryNumber,
      raw: answer.answer,
      right: check.verdict === "right",
      misconceptionId: check.misconceptionId,
      hintsUsed: answer.hintsUsed,
      milliseconds: Math.round(Math.min(answer.milliseconds, MOST_MILLISECONDS)),
      givenAt: answer.givenAt,
      recordedAt: context.runtime.now(),
      day: open.situation.day,
      grade: open.situation.grade,
      skillDifficulty: skill.difficulty,
      ...open.library.parameters(
        presentation.modelId,
        presentation.modelVersion,
        presentation.seed,
        presentation.skillId,
      ),
    };
    await insertAnswer(tx, row);
    const state = await summarise(tx, open.situation.states.get(skill.id) ?? null, row);
    const over = row.right || answer.offline || work.kind === "check" || answer.tryNumber >= MOST_TRIES;
    const now = await moveOn(tx, context, open, presentation, {
      tries: answer.tryNumber,
      over,
      rightFirst: row.right && answer.tryNumber === 1,
      states: new Map(open.situation.states).set(skill.id, state),
    });
    const stored = { ...row, serial: 0 };
    return reply(outcomeOf(now, { ...presentation, state: over ? "done" : "open" }, stored), now, stored);
  });
}

/** Closes the try, moves the progress, and opens the next item; stores the sitting. */
async function moveOn(
  tx: Queryable,
  context: Context,
  open: OpenSitting,
  presentation: Presentation,
  step: { tries: number; over: boolean; rightFirst: boolean; states: OpenSitting["situation"]["states"] },
): Promise<OpenSitting> {
  const state = step.over ? ("done" as const) : presentation.state;
  const presentations = open.situation.presentations.map((p) =>
    p.id === presentation.id ? { ...p, tries: step.tries, state, rightFirst: p.rightFirst ?? step.rightFirst } : p,
  );
  const situation = { ...open.situation, states: step.states, presentations };
  const end = progressOf(situation, open.library);
  const finishing = end.done && open.sitting.finishedAt === null;
  const sitting: OpenSitting["sitting"] = {
    ...open.sitting,
    presentations,
    lastAt: context.runtime.now(),
    itemsDone: presentations.filter((p) => p.state === "done").length,
    itemsRight: open.sitting.itemsRight + (step.rightFirst ? 1 : 0),
    // Once finished stays finished, even if a late answer lowers the chance.
    progressPermille: open.sitting.finishedAt !== null ? 1000 : Math.round(end.progress * 1000),
    ...(finishing ? { finishedAt: context.runtime.now(), finishReason: end.reason } : {}),
  };
  const moved: OpenSitting = { ...open, sitting, situation };
  const next = sitting.finishedAt === null ? goOn(context, moved) : moved;
  await updateSitting(tx, next.sitting);
  return next;
}

function outcomeOf(open: OpenSitting, presentation: Presentation, answer: AnswerRow): AnswerOutcome {
  if (open.work.kind === "check") return { status: "taken", presentationId: presentation.id };
  const item = open.library.item(answer.modelId, answer.modelVersion, answer.seed, answer.context);
  const misconception = answer.misconceptionId
    ? (open.library.misconceptions.get(answer.misconceptionId) ?? null)
    : null;
  const itemOver = presentation.state === "done";
  const feedback = feedbackOn(item, { right: answer.right, misconception, itemOver, tryNumber: answer.tryNumber });
  return { status: "scored", presentationId: presentation.id, feedback, itemOver };
}
