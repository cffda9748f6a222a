/** Runs once when the process starts, before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { startProcess } = await import("./server/runtime/startProcess");
  await startProcess();
}
