/** Asks the server for the next hint of the open item, after so many that are here; null when it can't be reached or there is none. */
export async function askHint(sittingId: string, presentationId: string, given: number): Promise<string | null> {
  try {
    const response = await fetch("/api/hints", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ sittingId, presentationId, given }),
    });
    return response.ok ? String((await response.json()).hint) : null;
  } catch {
    return null;
  }
}
