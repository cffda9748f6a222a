import { mkdirSync, writeFileSync } from "node:fs";
import { anySchool } from "@/db/queries/people";
import { readEnvironment } from "@/server/runtime/environment";
import { openRuntime } from "@/server/runtime/runtime";
import { seedSchool } from "~/demo/seedSchool";
import { installShippedContent } from "~/demo/shippedContent";

/** Fills an empty database with the demo school and keeps the sign-ins for the greeting; leaves any other alone. */
const runtime = await openRuntime(readEnvironment());
if (await anySchool(runtime.db.read)) {
  await installShippedContent(runtime);
  console.log("The database holds a school already; it is kept, and its content brought up to date.");
} else {
  const started = performance.now();
  const slips = await seedSchool(runtime, (share, what) => {
    if (process.stdout.isTTY)
      process.stdout.write(`\rSeeding the demo school: ${Math.round(share * 100)} %, ${what}          `);
  });
  mkdirSync("data", { recursive: true });
  writeFileSync(process.env.OXBOW_SLIPS ?? "data/demo-slips.json", JSON.stringify(slips, null, 1));
  console.log(`\nDemo school seeded in ${((performance.now() - started) / 1000).toFixed(1)} s.`);
}
runtime.db.close();
