import { serverTime } from "@/client/serverClock";
import type { AnswerMessage, AnswerReply, HandInMessage, SittingChange } from "../types";

interface SentReply<Reply> {
  readonly state: "answered";
  readonly reply: Reply;
}

/** How long an answer may be under way before the connection counts as lost. */
const PATIENCE_MILLISECONDS = 8000;

export type Sent =
  | SentReply<AnswerReply>
  /** The server refuses for good: sending again would change nothing. */
  | { readonly state: "refused"; readonly message: string }
  | { readonly state: "signed-out" }
  | { readonly state: "unreachable" };

type NotSent = Exclude<Sent, { readonly state: "answered" }>;

/** Sends one answer. Anything but a clear word from our server counts as unreachable, so that the answer is kept. */
export const sendAnswer = (
  { givenAt, words: _words, ...message }: AnswerMessage,
  holds: readonly string[] = [],
): Promise<Sent> =>
  // How long ago it was says more than any clock: the server places it by its own.
  send<AnswerReply>("/api/answers", { ...message, holds, agoMilliseconds: Math.max(0, serverTime() - givenAt) });

/** Sends that a whole test is handed in. */
export const sendHandIn = ({ sittingId }: HandInMessage) =>
  send<{ readonly sitting: SittingChange; readonly outcome?: undefined }>("/api/hand-in", { sittingId });

async function send<Reply>(path: string, body: object): Promise<SentReply<Reply> | NotSent> {
  try {
    const response = await fetch(path, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(PATIENCE_MILLISECONDS),
    });
    if (response.status === 401) return { state: "signed-out" };
    if (response.status >= 500) return { state: "unreachable" };
    const told = await response.json();
    return response.ok
      ? { state: "answered", reply: told as Reply }
      : { state: "refused", message: String(told.message) };
  } catch {
    return { state: "unreachable" };
  }
}
