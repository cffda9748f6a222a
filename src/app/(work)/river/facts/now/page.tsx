import type { Metadata } from "next";
import { factSession } from "@/features/facts/reads/ownFacts";
import type { FactSession } from "@/features/facts/types";
import { FactSessionPage } from "@/features/facts/view/student/FactSessionPage";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Number facts" };

export default async function Page() {
  const found = await attempt(factSession);
  return found.ok ? (
    // What the server knows anew begins a session of its own.
    <FactSessionPage key={stateOf(found.data)} session={found.data} />
  ) : (
    <Refused message={found.message} href="/river" label="To my river" />
  );
}

const stateOf = ({ placement, today, secondsPerDigit }: FactSession) =>
  `${placement.length} ${today.seconds} ${secondsPerDigit}`;
