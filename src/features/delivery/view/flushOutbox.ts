import { forgetMessage, keepMessage, waitingMessages } from "@/client/outbox/outbox";
import type { AnswerMessage, AnswerOutcome, AnswerReply, HandInMessage, NotCounted } from "../types";
import { sendAnswer, sendHandIn } from "./sendAnswer";

/** What became of one message: the server's outcome, or its refusal. */
export type Fate =
  | AnswerOutcome
  | { readonly status: "handed-in" }
  | { readonly status: "refused"; readonly answer: string; readonly message: string };

export interface Flushed {
  readonly stopped: "unreachable" | "signed-out" | null;
  readonly fates: readonly Fate[];
  /** Answers still waiting. */
  readonly waiting: number;
}

/** Sends one person's waiting answers in order; stops at the first that does not get through. */
export async function flushOutbox(
  personId: string,
  onReply: (message: AnswerMessage | HandInMessage, reply: Pick<AnswerReply, "sitting">) => void,
): Promise<Flushed> {
  const fates: Fate[] = [];
  let stopped: Flushed["stopped"] = null;
  for (const entry of await waitingMessages<AnswerMessage | HandInMessage>(personId)) {
    const { key, message } = entry;
    const sent = "handIn" in message ? await sendHandIn(message) : await sendAnswer(message);
    if (sent.state === "unreachable" || sent.state === "signed-out") {
      stopped = sent.state;
      // From here on it waits on the device: what comes after the due time is believed to be given before.
      if (!("handIn" in message) && !message.offline)
        await keepMessage({ ...entry, message: { ...message, offline: true } });
      break;
    }
    await forgetMessage(key);
    if (sent.state === "answered") {
      fates.push(sent.reply.outcome ?? { status: "handed-in" });
      onReply(message, sent.reply);
    } else
      fates.push({ status: "refused", answer: "handIn" in message ? "" : wordsOf(message), message: sent.message });
  }
  return { stopped, fates, waiting: (await waitingMessages(personId)).length };
}

/** An answer may have waited since a version in which it was one text. */
const wordsOf = (message: AnswerMessage & { readonly answer?: string }) => message.words ?? message.answer ?? "";

const many = (count: number) => (count === 1 ? "1 answer" : `${count} answers`);
const its = (count: number) => (count === 1 ? "does not count" : "do not count");

const NOT_COUNTED_WORDS: Readonly<Record<NotCounted, (count: number) => string>> = {
  "too-late": (n) => `${many(n)} came too late and ${its(n)}; your teacher can see that.`,
  withdrawn: (n) => `${many(n)} for work that your teacher has taken back ${its(n)}.`,
  over: (n) => `${many(n)} came after this work was finished and ${its(n)}.`,
  elsewhere: (n) => `${many(n)} had been given before, in another window or on another device.`,
  unreadable: (n) => `${many(n)} could not be read and ${its(n)}; the item comes again.`,
};

/** What became of answers that were sent later, in words, every one of them; null when there were none. */
export function reportOf(fates: readonly Fate[]): string | null {
  if (fates.length === 0) return null;
  const scored = fates.flatMap((fate) => (fate.status === "scored" ? [fate] : []));
  const counted = scored.length + fates.filter(({ status }) => status === "taken").length;
  const right = scored.filter(({ feedback }) => feedback.verdict === "right").length;
  const sent = `${many(counted)} ${counted === 1 ? "has" : "have"} been sent`;
  const reasons = new Map<NotCounted, number>();
  for (const fate of fates)
    if (fate.status === "not-counted") reasons.set(fate.reason, (reasons.get(fate.reason) ?? 0) + 1);
  return [
    counted === 0
      ? "Connected again."
      : scored.length === 0
        ? `Connected again: ${sent}.`
        : `Connected again: ${sent}, ${right} of ${scored.length} right.`,
    ...[...reasons].map(([reason, count]) => NOT_COUNTED_WORDS[reason](count)),
    ...fates.flatMap((fate) =>
      fate.status !== "refused"
        ? []
        : fate.answer === ""
          ? [`Handing in did not work: ${fate.message}`]
          : [`Your answer “${fate.answer}” was not taken: ${fate.message}`],
    ),
  ].join(" ");
}
