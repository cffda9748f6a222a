import type { Metadata } from "next";
import { slotOf } from "@/core/grouping/reteachParts";
import { APPROACHES } from "@/core/model/reteach";
import { groupView } from "@/features/regroup/reads/groupView";
import { lessonFor } from "@/features/regroup/reads/lesson";
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
  const { minutes, how, who } = await searchParams;
  await ownClasses(key);
  const found = await attempt(async (context) => {
    const group = await groupView(context, groupId);
    const asked = APPROACHES.find((approach) => approach === how);
    const approach =
      asked ?? (group.round && group.next.students.length === 0 ? group.round.approach : group.next.approach.approach);
    return { group, lesson: await lessonFor(context, groupId, approach) };
  });
  return found.ok ? (
    <ReteachSheet
      key={found.data.lesson.approach}
      {...found.data}
      base={`/desk/${key}`}
      slot={slotOf(minutes ?? String(found.data.group.round?.minutes ?? ""))}
      forStudents={who === "students"}
    />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/regroup`} label="To all groups" />
  );
}
