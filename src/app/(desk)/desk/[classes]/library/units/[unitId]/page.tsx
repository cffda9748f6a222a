import type { Metadata } from "next";
import { unitWithNotes } from "@/features/library/reads/unitWithNotes";
import { UnitPageView } from "@/features/library/view/UnitPageView";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Unit" };

export default async function Page({ params }: { params: Promise<{ classes: string; unitId: string }> }) {
  const { classes: key, unitId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => unitWithNotes(context, unitId));
  return found.ok ? (
    <UnitPageView {...found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/units`} label="To the units" />
  );
}
