import type { Metadata } from "next";
import { takeOutQuery } from "@/features/library/exchangeTypes";
import { takeOut } from "@/features/library/reads/takeOut";
import { TakeOutPage } from "@/features/library/view/TakeOutPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Take items out" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key } = await params;
  await ownClasses(key);
  const query = takeOutQuery(await searchParams);
  const found = await attempt((context) => takeOut(context, query));
  return found.ok ? (
    <TakeOutPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/items`} label="To the items" />
  );
}
