"use client";
import { useState } from "react";
import type { ActionResult } from "@/core/model/actionResult";
import { Button } from "@/ui/primitives/Button";

/** Opens work as a student would have it, in a window of its own: what stands on this page stays. */
export function TryIt({
  isReady,
  begin: beginTrial,
  problem,
}: {
  readonly isReady: boolean;
  readonly begin: () => Promise<ActionResult<{ readonly trialId: string }>>;
  readonly problem: (words: string | null) => void;
}) {
  const [busy, setBusy] = useState(false);
  const begin = async () => {
    setBusy(true);
    // Opened at the touch itself: later, browsers take it for a window that nobody asked for.
    const opened = window.open("", "_blank");
    if (!opened) {
      // Going there in this window would lose what is being put together.
      problem("The browser opened no window. Allow windows for this site, then try again.");
      setBusy(false);
      return;
    }
    const result = await beginTrial().catch(() => null);
    setBusy(false);
    if (result?.ok) opened.location.assign(`/try/${result.data.trialId}`);
    else opened.close();
    problem(
      result === null ? "The server can’t be reached. Try again in a moment." : result.ok ? null : result.message,
    );
  };
  return (
    <Button disabled={busy || !isReady} onClick={() => void begin()}>
      Try it yourself
    </Button>
  );
}
