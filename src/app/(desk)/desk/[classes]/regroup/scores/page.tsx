import type { Metadata } from "next";
import { scoresView } from "@/features/regroup/reads/outsideScores";
import { ScoresPage } from "@/features/regroup/view/scores/ScoresPage";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Scores from elsewhere" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const found = await attempt((context) =>
    scoresView(
      context,
      chosen.map(({ id }) => id),
    ),
  );
  return found.ok ? (
    <ScoresPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
