import { readEnvironment } from "@/server/runtime/environment";
import { openRuntime } from "@/server/runtime/runtime";
import { rebuildSummaries } from "@/server/summaries/rebuild";

/** Makes the summaries (skill states, skill days, misconceptions) anew from the answer log. */
const runtime = await openRuntime(readEnvironment());
const started = performance.now();
const { answers, left } = await rebuildSummaries(runtime);
console.log(`Summaries rebuilt from ${answers} answers in ${((performance.now() - started) / 1000).toFixed(1)} s.`);
if (left.length > 0) console.log(`Left out, because nothing can be made of them: answers ${left.join(", ")}.`);
runtime.db.close();
