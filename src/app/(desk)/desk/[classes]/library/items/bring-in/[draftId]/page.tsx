import type { Metadata } from "next";
import { importQuery } from "@/features/library/exchangeTypes";
import { itemImportState } from "@/features/library/reads/itemImport";
import { BringInPage } from "@/features/library/view/BringInPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Bring items in" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string; draftId: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key, draftId } = await params;
  await ownClasses(key);
  const query = importQuery(await searchParams);
  const found = await attempt((context) => itemImportState(context, draftId, query));
  return found.ok ? (
    <BringInPage draftId={draftId} start={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/items/bring-in`} label="Choose a file" />
  );
}
