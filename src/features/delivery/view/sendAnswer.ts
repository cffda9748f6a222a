import { serverTime } from "@/client/serverClock";
import type { AnswerMessage, AnswerReply } from "../types";

/** How long an answer may be under way before the connection counts as lost. */
const PATIENCE_MILLISECONDS = 8000;

export type Sent =
  | { readonly state: "answered"; readonly reply: AnswerReply }
  /** The server refuses for good: sending again would change nothing. */
  | { readonly state: "refused"; readonly message: string }
  | { readonly state: "signed-out" }
  | { readonly state: "unreachable" };

/** Sends one answer. Anything but a clear word from our server counts as unreachable, so that the answer is kept. */
export async function sendAnswer(
  { givenAt, words: _words, ...message }: AnswerMessage,
  holds: readonly string[] = [],
): Promise<Sent> {
  try {
    const response = await fetch("/api/answers", {
      method: "POST",
      headers: { "content-type": "application/json" },
      // How long ago it was says more than any clock: the server places it by its own.
      body: JSON.stringify({ ...message, holds, agoMilliseconds: Math.max(0, serverTime() - givenAt) }),
      signal: AbortSignal.timeout(PATIENCE_MILLISECONDS),
    });
    if (response.status === 401) return { state: "signed-out" };
    if (response.status >= 500) return { state: "unreachable" };
    const body = await response.json();
    return response.ok
      ? { state: "answered", reply: body as AnswerReply }
      : { state: "refused", message: String(body.message) };
  } catch {
    return { state: "unreachable" };
  }
}
