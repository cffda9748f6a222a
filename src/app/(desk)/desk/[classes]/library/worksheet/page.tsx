import type { Metadata } from "next";
import { worksheet } from "@/features/library/reads/worksheet";
import { worksheetOfWork } from "@/features/library/reads/worksheetOfWork";
import { WorksheetPage } from "@/features/library/view/WorksheetPage";
import { worksheetWishes } from "@/features/library/worksheetTypes";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Worksheet" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key } = await params;
  await ownClasses(key);
  const wishes = worksheetWishes(await searchParams);
  const found = await attempt((context) =>
    wishes.workId === null ? worksheet(context, wishes) : worksheetOfWork(context, wishes.workId),
  );
  return found.ok ? (
    <WorksheetPage view={found.data} wishes={wishes} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/items`} label="To the items" />
  );
}
