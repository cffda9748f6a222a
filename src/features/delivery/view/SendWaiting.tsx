"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { flushOutbox, reportOf } from "./flushOutbox";

/** Sends answers that an earlier page could not, whatever page the student comes back to. */
export function SendWaiting({ personId }: { readonly personId: string }) {
  const router = useRouter();
  const [words, setWords] = useState<string | null>(null);
  useEffect(() => {
    void flushOutbox(personId, () => {}).then(({ outcomes, waiting }) => {
      if (outcomes.length > 0) router.refresh();
      setWords(waiting > 0 ? `${waiting} answers are still kept on this device.` : reportOf(outcomes));
    });
  }, [personId, router]);
  return words ? (
    <p role="status" className="border-water mb-4 border-l-4 py-1 pl-3 text-[17px]">
      {words}
    </p>
  ) : null;
}
