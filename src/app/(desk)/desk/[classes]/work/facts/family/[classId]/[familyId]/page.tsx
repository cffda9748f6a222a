import type { Metadata } from "next";
import { familyFacts } from "@/features/facts/reads/familyFacts";
import { FamilyPage } from "@/features/facts/view/teacher/FamilyPage";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Teach facts again" };

export default async function Page({
  params,
}: {
  params: Promise<{ classes: string; classId: string; familyId: string }>;
}) {
  const { classes: key, classId, familyId } = await params;
  await someClasses(key);
  const found = await attempt((context) => familyFacts(context, classId, familyId));
  return found.ok ? (
    <FamilyPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work/facts`} label="To the class's number facts" />
  );
}
