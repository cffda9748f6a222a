import type { Metadata } from "next";
import { factSession } from "@/features/facts/reads/ownFacts";
import { FactSessionPage } from "@/features/facts/view/student/FactSessionPage";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Number facts" };

export default async function Page() {
  const found = await attempt(factSession);
  return found.ok ? (
    // What the server knows anew begins a session of its own.
    <FactSessionPage key={found.data.serverNow} session={found.data} />
  ) : (
    <Refused message={found.message} href="/river" label="To my river" />
  );
}
