import "server-only";
import { ABANDONED_MILLISECONDS, takeUpAbandoned } from "../history/bigChange";
import { readEnvironment } from "./environment";
import { log } from "./log";
import { type Runtime, theRuntime } from "./runtime";

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

/** Takes back what another process, or this one before it was stopped, left half written; now, and once that is certain. */
function watchAbandoned(runtime: Runtime): void {
  const look = () =>
    takeUpAbandoned(runtime).catch((error: unknown) => log("error", "a change could not be taken back", { error }));
  void look();
  setInterval(look, ABANDONED_MILLISECONDS * 2).unref();
}

/** Makes a process that serves a school ready: whoever asks first should not wait for the database. Null while it can't be opened. */
export async function startProcess(): Promise<Runtime | null | "development"> {
  if (!readEnvironment().production) return "development";
  captureConsole();
  // A database that can't be opened now may open at the first request; pages say so until then.
  const runtime = await theRuntime().catch((error: unknown) => {
    log("error", "the database could not be opened", { error });
    return null;
  });
  if (runtime) watchAbandoned(runtime);
  return runtime;
}
