// Puts what threads run into one file each: started from its sources, a thread first compiles and loads a thousand of them.
import { build } from "esbuild";

const workers = {
  itemWorker: "itemWork",
  exchangeWorker: "exchangeWork",
  calibrationWorker: "calibrationWork",
  reviewWorker: "reviewWork",
};
for (const [worker, work] of Object.entries(workers))
  await build({
    entryPoints: [`src/server/runtime/${work}.mjs`],
    outfile: `.next/workers/${worker}.mjs`,
    bundle: true,
    platform: "node",
    format: "esm",
    // It is made of files that ask for others as they go.
    external: ["exceljs"],
    logLevel: "warning",
  });
