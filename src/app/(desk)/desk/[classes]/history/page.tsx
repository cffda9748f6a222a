import type { Metadata } from "next";
import { historyEntries } from "@/features/frame/reads";
import { HistoryList } from "@/features/frame/view/HistoryList";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { PageHead } from "@/ui/layout/PageHead";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "History" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await ownClasses(key);
  const found = await attempt((context) =>
    historyEntries(
      context,
      chosen.map(({ id }) => id),
    ),
  );
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <div className="px-5 py-4">
      <PageHead title="History" sub="Every change to rosters, work and groups, the newest first." />
      <HistoryList entries={found.data} />
    </div>
  );
}
