import type { Metadata } from "next";
import { planOfGroup } from "@/features/regroup/reads/lesson";
import { ReteachSheet } from "@/features/regroup/view/lesson/ReteachSheet";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Reteach plan" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string; groupId: string }>;
  searchParams: Promise<{ minutes?: string; how?: string; who?: string }>;
}) {
  const { classes: key, groupId } = await params;
  const { who, ...asked } = await searchParams;
  await ownClasses(key);
  const found = await attempt((context) => planOfGroup(context, groupId, asked));
  return found.ok ? (
    <ReteachSheet
      key={found.data.lesson.approach}
      {...found.data}
      base={`/desk/${key}`}
      forStudents={who === "students"}
    />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/regroup`} label="To all groups" />
  );
}
