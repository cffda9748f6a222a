import type { Metadata } from "next";
import { ownFacts } from "@/features/facts/reads/ownFacts";
import { OwnFactsPage } from "@/features/facts/view/student/OwnFactsPage";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "My number facts" };

export default async function Page() {
  const found = await attempt(ownFacts);
  return found.ok ? (
    <OwnFactsPage facts={found.data} />
  ) : (
    <Refused message={found.message} href="/river" label="To my river" />
  );
}
