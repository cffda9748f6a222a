"use client";
import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { tellServerTimeOfPage } from "@/client/serverClock";
import { sendFacts } from "./factQueue";

/** Sends answers to facts that a session could not; the page is shown anew where some got through. */
export function SendFacts({ personId, serverNow }: { readonly personId: string; readonly serverNow: number }) {
  const router = useRouter();
  useEffect(() => {
    tellServerTimeOfPage(serverNow);
    void sendFacts(personId).then(({ sent }) => {
      if (sent > 0) router.refresh();
    });
  }, [personId, serverNow, router]);
  return null;
}
