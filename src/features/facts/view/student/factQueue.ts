import { forgetMessage, keepMessage, waitingMessages } from "@/client/outbox/outbox";
import { serverTime } from "@/client/serverClock";
import type { FactMessage } from "../../types";

/** Facts wait beside a person's other answers, and never hold one up. */
const queueOf = (personId: string) => `facts of ${personId}`;
const MOST_AT_ONCE = 40;

/** Keeps an answer on the device until the server has it. */
export const keepFact = (personId: string, message: FactMessage) =>
  keepMessage({ key: message.key, personId: queueOf(personId), order: message.at, message });

/** By person what is being sent at the moment, so that nothing is sent twice. */
const underWay = new Map<string, Promise<number>>();
/** So long may a page have been on its way that was made before answers got through. */
const LATELY_MILLISECONDS = 5_000;
let throughAt = Number.NEGATIVE_INFINITY;

/** Whether answers got through so lately that a page which has just come may not know of them. */
export const gotThroughLately = (): boolean => performance.now() - throughAt < LATELY_MILLISECONDS;

/** Sends what waits, the oldest first, once what is under way has ended: how many still wait. */
export function sendFacts(personId: string): Promise<number> {
  const send = () => sendWaiting(personId);
  const before = underWay.get(personId);
  const own = before ? before.then(send, send) : send();
  underWay.set(personId, own);
  const end = () => {
    if (underWay.get(personId) === own) underWay.delete(personId);
  };
  own.then(end, end);
  return own;
}

async function sendWaiting(personId: string): Promise<number> {
  const waiting = await waitingMessages<FactMessage>(queueOf(personId));
  for (let from = 0; from < waiting.length; from += MOST_AT_ONCE) {
    const batch = waiting.slice(from, from + MOST_AT_ONCE);
    if (!(await isDealtWith(batch.map(({ message }) => message)))) return waiting.length - from;
    throughAt = performance.now();
    for (const { key } of batch) await forgetMessage(key);
  }
  return 0;
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
