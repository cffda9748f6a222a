import type { Metadata } from "next";
import { rollOverView } from "@/features/roster/reads/schoolPages";
import { RollOverPage } from "@/features/roster/view/RollOverPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Roll the year over" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt((context) => rollOverView(context));
  return found.ok ? (
    <RollOverPage key={found.data.version} view={found.data} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/roster`} label="Back to the roster" />
  );
}
