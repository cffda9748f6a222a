// Forecasts review beside the server's own thread, from the sources as they are: a build has this in one file
// (scripts/bundleWorkers.mjs).
import { register } from "tsx/esm/api";

register();
const { default: forecast } = await import("./reviewWork.mjs");
export default forecast;
