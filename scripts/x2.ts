import { readEnvironment } from "@/server/runtime/environment";
import { openRuntime } from "@/server/runtime/runtime";
import { seedSchool } from "~/demo/seedSchool";

const runtime = await openRuntime(readEnvironment());
const t0 = performance.now();
let last = -1;
await seedSchool(runtime, (share, what) => {
  const t = performance.now() - t0;
  if (share - last > 0.09 || share < 0.05 || share > 0.95) {
    console.log((t / 1000).toFixed(1), share.toFixed(3), what);
    last = share;
  }
});
