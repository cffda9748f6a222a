import type { Metadata } from "next";
import { seriesView } from "@/features/work/reads/seriesView";
import { SeriesPage } from "@/features/work/view/series/SeriesPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Series" };

export default async function Page({ params }: { params: Promise<{ classes: string; seriesId: string }> }) {
  const { classes: key, seriesId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => seriesView(context, seriesId));
  return found.ok ? (
    <SeriesPage series={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work`} label="To all work" />
  );
}
