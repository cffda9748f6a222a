// Looks items over beside the server's own thread, from the sources as they are: a build has this in one file, which starts in a
// twentieth of the time (scripts/bundleWorkers.mjs).
import { register } from "tsx/esm/api";

register();
const { default: look } = await import("./itemWork.mjs");
export default look;
