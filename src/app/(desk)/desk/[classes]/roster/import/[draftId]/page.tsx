import type { Metadata } from "next";
import { importState } from "@/features/roster/reads/importView";
import { ImportPage } from "@/features/roster/view/ImportPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "What would change" };

export default async function Page({ params }: { params: Promise<{ classes: string; draftId: string }> }) {
  const { classes: key, draftId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => importState(context, draftId));
  return found.ok ? (
    <ImportPage draftId={draftId} start={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/roster/import`} label="Choose a file" />
  );
}
