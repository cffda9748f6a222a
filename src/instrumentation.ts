/** Runs once when the process starts, before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { startProcess } = await import("./server/runtime/startProcess");
  const { answerDirectly } = await import("./server/runtime/direct");
  const { takeAnswer } = await import("./features/delivery/entry");
  if (await startProcess()) answerDirectly("/api/answers", takeAnswer);
}
