import type { Metadata } from "next";
import { seriesLines } from "@/features/work/reads/seriesView";
import { workList } from "@/features/work/reads/works";
import { WorkList } from "@/features/work/view/WorkList";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Work" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const ids = chosen.map(({ id }) => id);
  const found = await attempt(async (context) => ({
    works: await workList(context, ids),
    series: await seriesLines(context, ids),
  }));
  return found.ok ? (
    <WorkList works={found.data.works} series={found.data.series} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
