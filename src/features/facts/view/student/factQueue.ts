import { forgetMessage, keepMessage, waitingMessages } from "@/client/outbox/outbox";
import { serverTime } from "@/client/serverClock";
import type { FactMessage } from "../../types";

/** Facts wait beside a person's other answers, and never hold one up. */
const queueOf = (personId: string) => `facts of ${personId}`;
const MOST_AT_ONCE = 40;

/** Keeps an answer on the device until the server has it. */
export const keepFact = (personId: string, message: FactMessage) =>
  keepMessage({ key: message.key, personId: queueOf(personId), order: message.at, message });

/** Sends what waits, the oldest first: how many got through, and how many still wait. */
export async function sendFacts(personId: string): Promise<{ readonly sent: number; readonly waiting: number }> {
  const waiting = await waitingMessages<FactMessage>(queueOf(personId));
  for (let from = 0; from < waiting.length; from += MOST_AT_ONCE) {
    const batch = waiting.slice(from, from + MOST_AT_ONCE);
    if (!(await isDealtWith(batch.map(({ message }) => message))))
      return { sent: from, waiting: waiting.length - from };
    for (const { key } of batch) await forgetMessage(key);
  }
  return { sent: waiting.length, waiting: 0 };
}

async function isDealtWith(messages: readonly FactMessage[]): Promise<boolean> {
  try {
    const response = await fetch("/api/facts", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({
        attempts: messages.map(({ at, ...message }) => ({
          ...message,
          agoMilliseconds: Math.max(0, serverTime() - at),
        })),
      }),
      // The page may be left while it is under way.
      keepalive: true,
    });
    // What the server refuses for good would be refused again.
    return response.status < 500 && response.status !== 401;
  } catch {
    return false;
  }
}
