import type { Metadata } from "next";
import { worthView } from "@/features/regroup/reads/worth";
import { WorthPage } from "@/features/regroup/view/worth/WorthPage";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Worth doing first" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<{ minutes?: string; students?: string }>;
}) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const search = await searchParams;
  const found = await attempt((context) =>
    worthView(
      context,
      chosen.map(({ id }) => id),
      search,
    ),
  );
  return found.ok ? (
    <WorthPage view={found.data} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
