import type { Metadata } from "next";
import { groupBoard } from "@/features/regroup/reads/groupBoard";
import { GroupBoard } from "@/features/regroup/view/GroupBoard";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Group board" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<{ skill?: string }>;
}) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const { skill } = await searchParams;
  const found = await attempt((context) =>
    groupBoard(
      context,
      chosen.map(({ id }) => id),
      skill ?? null,
    ),
  );
  return found.ok ? (
    <GroupBoard view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/regroup`} label="Back to the groups" />
  );
}
