import type { Metadata } from "next";
import { itemImportStart } from "@/features/library/reads/itemImport";
import { BringInStart } from "@/features/library/view/BringInStart";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Bring items in" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key } = await params;
  const { bank } = await searchParams;
  await ownClasses(key);
  const found = await attempt((context) => itemImportStart(context, bank ?? null));
  return found.ok ? (
    <BringInStart start={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/items`} label="To the items" />
  );
}
