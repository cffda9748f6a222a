// Looks items over beside the server's own thread: an expression that an author typed may take for ever.
import { register } from "tsx/esm/api";

register();
const { lookOver, verdictOn } = await import("../../core/items/lookOver.ts");

/** @param {{ version: object, draws: number, shown: number, given?: { seed: number, context: string, sent: unknown }, port?: import("node:worker_threads").MessagePort }} task What to look over, and an answer to one draw. */
export default function look({ version, draws, shown, given, port }) {
  // Starting the thread took its time; the item's own begins here.
  port?.postMessage("begun");
  port?.close();
  if (given) return verdictOn(version, given.seed, given.context, given.sent);
  return lookOver(version, draws, shown);
}
