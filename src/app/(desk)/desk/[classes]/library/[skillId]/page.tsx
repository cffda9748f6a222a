import type { Metadata } from "next";
import { notesFor } from "@/features/library/reads/notes";
import { skillPage } from "@/features/library/reads/skills";
import { SkillPageView } from "@/features/library/view/SkillPageView";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Skill" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string; skillId: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key, skillId } = await params;
  await ownClasses(key);
  const search = await searchParams;
  const found = await attempt(async (context) => {
    const skill = await skillPage(context, skillId, Number(search.draw ?? 0));
    return { skill, notes: await notesFor(context, "skill", skillId) };
  });
  return found.ok ? (
    <SkillPageView {...found.data} base={`/desk/${key}`} draw={Number(search.draw ?? 0) || 0} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library`} label="To the library" />
  );
}
