import "server-only";
import { readEnvironment } from "./environment";
import { log } from "./log";
import { theRuntime } from "./runtime";

/** First lines of text that a package writes; more could be what somebody typed. */
const MOST_LETTERS = 120;

/**
 * Leads what packages write to the console through the one log, which keeps causes only: a renderer that prints a failed
 * statement would print the names and secrets in it.
 */
function captureConsole(): void {
  for (const [method, level] of [
    ["error", "error"],
    ["warn", "warn"],
  ] as const)
    console[method] = (...given: unknown[]) => {
      const error = given.find((part) => part instanceof Error);
      const text = given.find((part) => typeof part === "string");
      const words = error ? "an error was not caught" : (text?.split("\n", 1)[0] ?? "").slice(0, MOST_LETTERS);
      log(level, words, error === undefined ? {} : { error });
    };
}

/** Makes a process that serves a school ready: whoever asks first should not wait for the database. False in development. */
export async function startProcess(): Promise<boolean> {
  if (!readEnvironment().production) return false;
  captureConsole();
  // A database that can't be opened now may open at the first request; pages say so until then.
  await theRuntime().catch((error: unknown) => log("error", "the database could not be opened", { error }));
  return true;
}
