import type { Metadata } from "next";
import { rosterView } from "@/features/roster/reads";
import { RosterPage } from "@/features/roster/view/RosterPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Roster" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await ownClasses(key);
  const ids = chosen.map(({ id }) => id);
  const found = await attempt((context) => rosterView(context, ids));
  return found.ok ? (
    <RosterPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
