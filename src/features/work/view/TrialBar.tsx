"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { endTrialAction, tryGivenAction } from "../actions";

/** Above a trial run: what it is, and the ways out of it. */
export function TrialBar({ trialId }: { readonly trialId: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const leave = async (act: () => Promise<string | null>) => {
    setBusy(true);
    setProblem(await act().catch(() => "The server can’t be reached. Try again in a moment."));
    setBusy(false);
  };
  const again = () =>
    leave(async () => {
      const result = await tryGivenAction(trialId);
      if (!result.ok) return result.message;
      window.location.assign(`/try/${result.data.trialId}`);
      return null;
    });
  const done = () =>
    leave(async () => {
      const result = await endTrialAction();
      if (!result.ok) return result.message;
      router.push("/desk/all/work");
      return null;
    });
  return (
    <aside
      aria-label="Trial run"
      className="bg-ink text-paper flex flex-wrap items-center gap-x-5 gap-y-2 px-5 py-2 text-[15px]"
    >
      <p className="flex-1">
        <b>A trial run.</b> You see what a student sees; nothing that you do here is kept.
        {problem ? <span role="alert"> {problem}</span> : null}
      </p>
      <Button look="onDark" disabled={busy} onClick={() => void again()}>
        Start over
      </Button>
      <Button look="onDark" disabled={busy} onClick={() => void done()}>
        Done with it
      </Button>
    </aside>
  );
}
