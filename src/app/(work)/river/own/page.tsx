import type { Metadata } from "next";
import { ownSkills } from "@/features/delivery/reads/ownSkills";
import { OwnSkillsPage } from "@/features/delivery/view/own/OwnSkillsPage";
import { requireStudentPage } from "@/server/access/pages";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Something of my own" };

export default async function Page() {
  await requireStudentPage();
  const found = await attempt(ownSkills);
  return found.ok ? (
    <OwnSkillsPage view={found.data} />
  ) : (
    <Refused message={found.message} href="/river" label="To my river" />
  );
}
