/** Runs once when the process starts, before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { startProcess } = await import("./server/runtime/startProcess");
  const { answerDirectly } = await import("./server/runtime/direct");
  const { takeAnswer, watch } = await import("./features/delivery/entry");
  const { watch: watchWork } = await import("./features/work/entry");
  const { watch: watchReteaches } = await import("./features/regroup/entry");
  const runtime = await startProcess();
  if (runtime === "development") return;
  if (runtime) {
    watch(runtime);
    watchWork(runtime);
    watchReteaches(runtime);
  }
  answerDirectly("/api/answers", takeAnswer);
}
