import type { Metadata } from "next";
import { archivedClasses } from "@/features/roster/reads/classSettings";
import { rosterView } from "@/features/roster/reads/rosterView";
import { RosterPage } from "@/features/roster/view/RosterPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Roster" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { all, chosen } = await ownClasses(key);
  const ids = chosen.map(({ id }) => id);
  const found = await attempt(async (context) => ({
    view: await rosterView(context, ids),
    archived: await archivedClasses(context),
  }));
  return found.ok ? (
    <RosterPage
      {...found.data}
      slugs={Object.fromEntries(all.map(({ id, slug }) => [id, slug]))}
      base={`/desk/${key}`}
    />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
