import "server-only";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { Piscina } from "piscina";
import { threadsRunBuild } from "./environment";

/** A thread that nobody asks ends after so long: starting one takes longer than reading a class's sheet. */
const IDLE_MILLISECONDS = 60_000;

/**
 * Threads for heavy work, started at first use. The worker's file is given by name, so that the build leaves it as it is: it brings
 * its own loader.
 */
export function workerPool(file: string, most: number): () => Piscina {
  let pool: Piscina | null = null;
  return () => {
    pool ??= new Piscina({
      filename: fileOf(file),
      minThreads: 0,
      maxThreads: most,
      idleTimeout: IDLE_MILLISECONDS,
    });
    return pool;
  };
}

/** What the build made of it, where there is a build and it is in use; the sources otherwise. */
function fileOf(file: string): string {
  const built = join(process.cwd(), ".next", "workers", file);
  return threadsRunBuild() && existsSync(built) ? built : join(process.cwd(), "src", "server", "runtime", file);
}
