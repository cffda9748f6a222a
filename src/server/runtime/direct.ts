import "server-only";
import { actorOf } from "@/server/access/actorOf";
import { sessionCookie } from "@/server/access/cookies";
import { personOfToken } from "@/server/access/sessions";
import type { Context } from "./context";
import { Refusal } from "./refusal";
import { statusOf } from "./respond";
import { theRuntime } from "./runtime";
import { told } from "./told";

/** A small message of our own pages, as the HTTP server hands it over. */
export interface DirectMessage {
  readonly cookie: string;
  /** What was sent; null when it is more than a message of our own pages can be. */
  readonly body: Promise<string | null>;
}
export interface DirectAnswer {
  readonly status: number;
  readonly text: string;
}
type Direct = (message: DirectMessage) => Promise<DirectAnswer>;

/** What the HTTP server answers without the framework, by path; it lives in another bundle of the same process. */
const shared = globalThis as { oxbowDirect?: Map<string, Direct> };

/**
 * Lets a path be answered without the framework's part of a request, which takes several times as long as an answer itself
 * (decisions/0021). The same use-case stands behind the route of the same path.
 */
export function answerDirectly(path: string, use: (context: Context, message: unknown) => Promise<unknown>): void {
  shared.oxbowDirect ??= new Map();
  shared.oxbowDirect.set(path, async ({ cookie, body }) => {
    try {
      const runtime = await theRuntime();
      const token = cookieOf(cookie, sessionCookie(runtime, "student").name);
      const person = token ? await personOfToken(runtime, token) : null;
      if (!person) throw new Refusal("signed-out", "You are signed out. Sign in again; nothing was lost.");
      const text = await body;
      if (text === null) throw new Refusal("too-large", "This message is too large, so it was not read.");
      const result = await use({ runtime, actor: await actorOf(runtime, person) }, parsed(text));
      return { status: 200, text: JSON.stringify(result) };
    } catch (error) {
      const { code, message } = told(error, "request failed");
      return { status: statusOf(code), text: JSON.stringify({ code, message }) };
    }
  });
}

/** A cookie by its name; ours hold nothing that is encoded. */
function cookieOf(cookies: string, name: string): string | null {
  for (const pair of cookies.split(";")) {
    const [key, value] = pair.trim().split("=", 2);
    if (key === name) return value ?? null;
  }
  return null;
}

function parsed(body: string): unknown {
  try {
    return JSON.parse(body);
  } catch {
    return null;
  }
}
