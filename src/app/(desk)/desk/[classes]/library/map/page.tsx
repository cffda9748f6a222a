import type { Metadata } from "next";
import { skillMap } from "@/features/library/reads/skillMap";
import { SkillMapPage } from "@/features/library/view/SkillMapPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Map of skills" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key } = await params;
  const { chosen } = await ownClasses(key);
  const { skill, all } = await searchParams;
  const classIds = chosen.map(({ id }) => id);
  const found = await attempt((context) =>
    skillMap(context, { skillId: skill ?? null, classIds, all: all !== undefined }),
  );
  return found.ok ? (
    <SkillMapPage view={found.data} classNames={chosen.map(({ name }) => name)} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library`} label="To the library" />
  );
}
