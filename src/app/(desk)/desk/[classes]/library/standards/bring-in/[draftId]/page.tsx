import type { Metadata } from "next";
import { frameworkImportState } from "@/features/library/reads/frameworkImport";
import { FrameworkImportPage } from "@/features/library/view/FrameworkImportPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Bring standards in" };

export default async function Page({ params }: { params: Promise<{ classes: string; draftId: string }> }) {
  const { classes: key, draftId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => frameworkImportState(context, draftId));
  return found.ok ? (
    <FrameworkImportPage draftId={draftId} start={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/standards`} label="To the standards" />
  );
}
