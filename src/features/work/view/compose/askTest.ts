import type { TestItem, TestProposal } from "../../testTypes";

interface Asks {
  readonly propose: TestProposal;
  readonly search: readonly TestItem[];
  readonly swaps: readonly TestItem[];
}

/** Asks the server something about a test that is being built; a refusal or a lost connection is thrown in words. */
export async function askTest<Ask extends keyof Asks>(
  ask: Ask,
  body: object,
  signal?: AbortSignal,
): Promise<Asks[Ask]> {
  const response = await fetch(`/api/tests/${ask}`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
    ...(signal ? { signal } : {}),
  }).catch((error: unknown) => {
    if (signal?.aborted) throw error;
    throw new Error("The server can't be reached. Check the connection and try again.");
  });
  const told = await response.json();
  if (!response.ok) throw new Error(String(told.message));
  return told as Asks[Ask];
}
