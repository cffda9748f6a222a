import type { Metadata } from "next";
import { standardsPage } from "@/features/library/reads/standards";
import { StandardsPage } from "@/features/library/view/StandardsPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Standards" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key } = await params;
  await ownClasses(key);
  const { framework } = await searchParams;
  const found = await attempt((context) => standardsPage(context, framework ?? null));
  return found.ok ? (
    <StandardsPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library`} label="To the library" />
  );
}
