// Reads roster files beside the server's own thread: a file of a whole school must not hold up a class's answers.
import { parentPort } from "node:worker_threads";
import { register } from "tsx/esm/api";

register();
const { previewRoster } = await import("../../formats/roster/previewRoster.ts");
parentPort?.on("message", async (input) => {
  try {
    const preview = await previewRoster(input, (share, what) => parentPort?.postMessage({ share, what }));
    parentPort?.postMessage({ preview });
  } catch (error) {
    parentPort?.postMessage({ problem: String(error) });
  }
});
