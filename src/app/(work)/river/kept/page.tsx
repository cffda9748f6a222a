import type { Metadata } from "next";
import { TakeReview } from "@/features/delivery/view/TakeNext";
import { ownKept } from "@/features/review/reads/ownKept";
import { KeptPage } from "@/features/review/view/student/KeptPage";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "What I keep" };

export default async function Page() {
  const found = await attempt(ownKept);
  return found.ok ? (
    <KeptPage
      view={found.data}
      begin={Object.fromEntries(
        found.data.reviews.map(({ classId, today }) => [
          classId,
          <TakeReview key={classId} classId={classId} isFirst>
            {today === "begun" ? "Go on" : "Begin"}
          </TakeReview>,
        ]),
      )}
    />
  ) : (
    <Refused message={found.message} href="/river" label="To my river" />
  );
}
