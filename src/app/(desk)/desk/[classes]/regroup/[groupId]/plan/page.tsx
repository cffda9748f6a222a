import type { Metadata } from "next";
import { groupView } from "@/features/regroup/reads/reteachGroups";
import { ReteachSheet } from "@/features/regroup/view/ReteachSheet";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Reteach plan" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string; groupId: string }>;
  searchParams: Promise<{ minutes?: string }>;
}) {
  const { classes: key, groupId } = await params;
  const { minutes } = await searchParams;
  await ownClasses(key);
  const found = await attempt((context) => groupView(context, groupId));
  return found.ok ? (
    <ReteachSheet group={found.data} base={`/desk/${key}`} minutes={minutes} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/regroup`} label="To all groups" />
  );
}
