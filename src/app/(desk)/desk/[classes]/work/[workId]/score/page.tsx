import type { Metadata } from "next";
import { scoringView } from "@/features/scoring/reads/scoringView";
import { ScoringPage } from "@/features/scoring/view/ScoringPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Score" };

export default async function Page({ params }: { params: Promise<{ classes: string; workId: string }> }) {
  const { classes: key, workId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => scoringView(context, workId));
  return found.ok ? (
    <ScoringPage scoring={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work`} label="To all work" />
  );
}
