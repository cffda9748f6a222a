// Reads roster files beside the server's own thread: a file of a whole school must not hold up a class's answers.
import { once } from "node:events";
import { register } from "tsx/esm/api";

register();
const { previewRoster } = await import("../../formats/roster/previewRoster.ts");

/** @param {{ input: object, port: import("node:worker_threads").MessagePort }} task The file, and where the roster comes from. */
export default async function read({ input, port }) {
  const roster = once(port, "message").then(([found]) => found);
  const say = (share, what) => port.postMessage({ share, what });
  const preview = await previewRoster(input, roster, say);
  port.close();
  return preview;
}
