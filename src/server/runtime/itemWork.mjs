// The work of an item thread: an expression that an author typed may take for ever, so it is done apart from everything else.
import { lookOver, verdictOn } from "../../core/items/lookOver.ts";

/** @param {{ version: object, draws: number, shown: number, given?: { seed: number, context: string, sent: unknown }, port?: import("node:worker_threads").MessagePort }} task What to look over, or an answer to one draw of it; where to say that the work itself begins. */
export default function look({ version, draws, shown, given, port }) {
  // Starting the thread took its time; the item's own begins here.
  port?.postMessage("begun");
  port?.close();
  if (given) return verdictOn(version, given.seed, given.context, given.sent);
  return lookOver(version, draws, shown);
}
