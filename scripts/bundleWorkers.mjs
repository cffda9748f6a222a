// Puts what item threads run into one file: started from its sources, a thread first compiles and loads a thousand of them.
import { build } from "esbuild";

await build({
  entryPoints: ["src/server/runtime/itemWork.mjs"],
  outfile: ".next/workers/itemWorker.mjs",
  bundle: true,
  platform: "node",
  format: "esm",
  logLevel: "warning",
});
