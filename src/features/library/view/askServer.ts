import type { Tried } from "../reads/trial";

export type Asked<T> =
  | { readonly ok: true; readonly data: T }
  | { readonly ok: false; readonly code: string; readonly message: string };

/** Sends JSON to our own server; a refusal's words, or a lost connection, come back as a message. */
export async function askServer<T>(path: string, message: object, signal?: AbortSignal): Promise<Asked<T>> {
  try {
    const response = await fetch(path, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(message),
      ...(signal ? { signal } : {}),
    });
    const body = (await response.json()) as T & { code?: string; message?: string };
    return response.ok
      ? { ok: true, data: body }
      : { ok: false, code: body.code ?? "failed", message: body.message ?? "Something went wrong. Try again." };
  } catch {
    return {
      ok: false,
      code: signal?.aborted ? "aborted" : "unreachable",
      message: "The server can't be reached. Check the connection; what you typed is still here.",
    };
  }
}

const VERDICT_WORDS = {
  right: "Right.",
  wrong: "Wrong.",
  "by-person": "Handed in: a teacher scores it.",
  unreadable: "This can't be read as an answer; a student would be asked to write it again.",
} as const;

/** What a try at a draw came to, as the author reads it. */
export async function judgeTry(message: object): Promise<{ words: string }> {
  const asked = await askServer<Tried>("/api/items/try", message);
  if (!asked.ok) return { words: asked.message };
  if (!("verdict" in asked.data)) return { words: "" };
  const { verdict, earned, possible } = asked.data;
  return { words: verdict === "partly" ? `Partly right: ${earned} of ${possible}.` : VERDICT_WORDS[verdict] };
}
