"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { tellServerTimeOfPage } from "@/client/serverClock";
import { flushOutbox, reportOf } from "./flushOutbox";
import { sendVisits } from "./lessonVisits";

/** Sends answers that an earlier page could not, whatever page the student comes back to. */
export function SendWaiting({ personId, serverNow }: { readonly personId: string; readonly serverNow: number }) {
  const router = useRouter();
  const [words, setWords] = useState<readonly string[]>([]);
  useEffect(() => tellServerTimeOfPage(serverNow), [serverNow]);
  useEffect(() => {
    void sendVisits(personId);
    void flushOutbox(personId, () => {}).then(({ fates, waiting }) => {
      if (fates.length > 0) router.refresh();
      const report = reportOf(fates);
      const kept =
        waiting === 1 ? "1 answer is still kept on this device." : `${waiting} answers are still kept on this device.`;
      setWords([...(report ? [report] : []), ...(waiting > 0 ? [kept] : [])]);
    });
  }, [personId, router]);
  return words.length > 0 ? (
    <p role="status" className="border-water mb-4 border-l-4 py-1 pl-3 text-[17px]">
      {words.join(" ")}
    </p>
  ) : null;
}
