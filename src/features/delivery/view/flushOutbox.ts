import { forgetMessage, waitingMessages } from "@/client/outbox/outbox";
import type { AnswerMessage, AnswerOutcome, AnswerReply } from "../types";
import { sendAnswer } from "./sendAnswer";

export interface Flushed {
  readonly stopped: "unreachable" | "signed-out" | null;
  readonly outcomes: readonly AnswerOutcome[];
  /** Answers still waiting. */
  readonly waiting: number;
}

/** Sends one person's waiting answers in order; stops at the first that does not get through. */
export async function flushOutbox(
  personId: string,
  onReply: (message: AnswerMessage, reply: AnswerReply) => void,
): Promise<Flushed> {
  const outcomes: AnswerOutcome[] = [];
  let stopped: Flushed["stopped"] = null;
  for (const { key, message } of await waitingMessages<AnswerMessage>(personId)) {
    const sent = await sendAnswer(message);
    if (sent.state === "unreachable" || sent.state === "signed-out") {
      stopped = sent.state;
      break;
    }
    await forgetMessage(key);
    if (sent.state === "answered") {
      outcomes.push(sent.reply.outcome);
      onReply(message, sent.reply);
    }
  }
  return { stopped, outcomes, waiting: (await waitingMessages(personId)).length };
}

/** What became of answers that were sent later, in words; null when there were none. */
export function reportOf(outcomes: readonly AnswerOutcome[]): string | null {
  if (outcomes.length === 0) return null;
  const scored = outcomes.filter((outcome) => outcome.status === "scored");
  const right = scored.filter(({ feedback }) => feedback.verdict === "right").length;
  const count = outcomes.length === 1 ? "1 answer has" : `${outcomes.length} answers have`;
  return scored.length === 0
    ? `Connected again: ${count} been sent.`
    : `Connected again: ${count} been sent, ${right} of ${scored.length} right.`;
}
