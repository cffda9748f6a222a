import "server-only";
import { errorKind } from "./errorKind";

const FIRST_WAIT = 5;
const LONGEST_WAIT = 150;

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/**
 * Tries until another process lets go of the database, or for so many milliseconds at most. The waiting is ours and not
 * SQLite's: its own busy handler sleeps inside the call, and with it everybody whom this process serves.
 */
export async function patiently<T>(attempt: () => Promise<T>, mostMilliseconds: number): Promise<T> {
  const until = performance.now() + mostMilliseconds;
  for (let wait = FIRST_WAIT; ; wait = Math.min(wait * 2, LONGEST_WAIT)) {
    try {
      return await attempt();
    } catch (error) {
      if (errorKind(error) !== "busy" || performance.now() + wait > until) throw error;
      await pause(wait);
    }
  }
}
