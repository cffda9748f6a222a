/** Opens the database at start, which brings its tables up to date before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { theRuntime } = await import("./server/runtime/runtime");
  await theRuntime();
}
