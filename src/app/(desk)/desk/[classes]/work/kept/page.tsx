import type { Metadata } from "next";
import { keptWorks } from "@/features/work/reads/keptWorks";
import { KeptWorks } from "@/features/work/view/KeptWorks";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Kept work" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt((context) => keptWorks(context));
  return found.ok ? (
    <KeptWorks works={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work`} label="To all work" />
  );
}
