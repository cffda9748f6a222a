import type { Metadata } from "next";
import { ownSkill } from "@/features/delivery/reads/ownSkills";
import { OwnSkillPage } from "@/features/delivery/view/own/OwnSkillPage";
import { requireStudentPage } from "@/server/access/pages";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Something of my own" };

export default async function Page({ params }: { params: Promise<{ skillId: string }> }) {
  await requireStudentPage();
  const { skillId } = await params;
  const found = await attempt((context) => ownSkill(context, skillId));
  return found.ok ? (
    <OwnSkillPage view={found.data} />
  ) : (
    <Refused message={found.message} href="/river/own" label="Choose something else" />
  );
}
