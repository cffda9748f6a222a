import "server-only";
import { isStorageFailure } from "@/db/errorKind";
import { log } from "./log";
import { Refusal, type RefusalCode } from "./refusal";

/** What somebody is told of a failure. */
export interface Told {
  readonly ok: false;
  readonly code: RefusalCode | "failed";
  readonly message: string;
  readonly waitSeconds?: number;
}

const UNAVAILABLE =
  "The school's data can't be written right now, so nothing was changed. Please try again in a minute; if it stays so, tell whoever runs Oxbow.";

/** The words for whoever asked: a refusal's own, or what can be said of a failure. Its causes go to the log. */
export function told(error: unknown, what: string): Told {
  if (error instanceof Refusal) {
    const { code, message, waitSeconds } = error;
    return { ok: false, code, message, ...(waitSeconds === undefined ? {} : { waitSeconds }) };
  }
  log("error", what, { error });
  if (isStorageFailure(error)) return { ok: false, code: "unavailable", message: UNAVAILABLE };
  return { ok: false, code: "failed", message: "That did not work, and nothing was changed. Please try again." };
}
