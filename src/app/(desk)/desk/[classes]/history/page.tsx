import type { Metadata } from "next";
import { historyPage } from "@/features/frame/reads/history";
import { HistoryList } from "@/features/frame/view/HistoryList";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { PageHead } from "@/ui/layout/PageHead";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "History" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<{ find?: string; area?: string; before?: string }>;
}) {
  const { classes: key } = await params;
  const { chosen } = await ownClasses(key);
  const { find = "", area = "", before } = await searchParams;
  const found = await attempt((context) =>
    historyPage(
      context,
      chosen.map(({ id }) => id),
      { find, area, before: before ?? null },
    ),
  );
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <div className="px-5 py-4">
      <PageHead
        title="History"
        sub={
          key === "school"
            ? "Every change and export in the school, the newest first; who signed in is a list of its own. Entries are never changed or removed."
            : "Every change to rosters, work and groups, the newest first."
        }
      />
      <HistoryList page={found.data} />
    </div>
  );
}
