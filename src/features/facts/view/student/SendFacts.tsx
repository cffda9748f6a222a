"use client";
import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { tellServerTimeOfPage } from "@/client/serverClock";
import { gotThroughLately, sendFacts } from "./factQueue";

/** Sends answers to facts that a session could not; the page is shown anew where some got through, now or while it was on its way. */
export function SendFacts({ personId, serverNow }: { readonly personId: string; readonly serverNow: number }) {
  const router = useRouter();
  useEffect(() => tellServerTimeOfPage(serverNow), [serverNow]);
  useEffect(() => {
    void sendFacts(personId).then(() => {
      if (gotThroughLately()) router.refresh();
    });
  }, [personId, router]);
  return null;
}
