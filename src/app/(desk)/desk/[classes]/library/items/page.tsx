import type { Metadata } from "next";
import { finderQuery } from "@/features/library/finderQuery";
import { finder } from "@/features/library/reads/finder";
import { ItemFinder } from "@/features/library/view/ItemFinder";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Items" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { classes: key } = await params;
  await ownClasses(key);
  const query = finderQuery(await searchParams);
  const found = await attempt((context) => finder(context, query));
  return found.ok ? (
    <ItemFinder view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library`} label="To the library" />
  );
}
