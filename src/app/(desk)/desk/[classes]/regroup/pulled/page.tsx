import type { Metadata } from "next";
import { skillCards } from "@/features/library/reads/skills";
import { PulledSheet } from "@/features/regroup/view/PulledSheet";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { todayInWords } from "@/server/runtime/school";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Pull list" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt(async (context) => ({
    skills: await skillCards(context),
    day: await todayInWords(context, "EEEE d MMMM"),
  }));
  return found.ok ? (
    <PulledSheet day={found.data.day} skills={found.data.skills.map(({ id, name }) => ({ id, name }))} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
