// Reads roster files beside the server's own thread: a file of a whole school must not hold up a class's answers.
import { parentPort } from "node:worker_threads";
import { register } from "tsx/esm/api";

register();
const { previewRoster } = await import("../../formats/roster/previewRoster.ts");

/** Gives the roster to the reading that is under way; it comes after the file. */
let giveRoster = () => {};

parentPort?.on("message", async (message) => {
  if ("roster" in message) return giveRoster(message.roster);
  const roster = new Promise((resolve) => {
    giveRoster = resolve;
  });
  try {
    const say = (share, what) => parentPort?.postMessage({ share, what });
    parentPort?.postMessage({ preview: await previewRoster(message.input, roster, say) });
  } catch (error) {
    parentPort?.postMessage({ problem: String(error) });
  }
});
