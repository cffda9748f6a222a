/** Asks the server for the hint of the open item; null when it can't be reached or there is none. */
export async function askHint(sittingId: string, presentationId: string): Promise<string | null> {
  try {
    const response = await fetch("/api/hints", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ sittingId, presentationId }),
    });
    return response.ok ? String((await response.json()).hint) : null;
  } catch {
    return null;
  }
}
