import type { Metadata } from "next";
import { skillShelves } from "@/features/library/reads/skills";
import { SkillList } from "@/features/library/view/SkillList";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Library" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await ownClasses(key);
  const classIds = chosen.map(({ id }) => id);
  const found = await attempt((context) => skillShelves(context, classIds));
  return found.ok ? (
    <SkillList shelves={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
