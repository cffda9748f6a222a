import type { Metadata } from "next";
import { rulesView } from "@/features/work/reads/rulesView";
import { ChangeWork } from "@/features/work/view/rules/ChangeWork";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Change work" };

export default async function Page({ params }: { params: Promise<{ classes: string; workId: string }> }) {
  const { classes: key, workId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => rulesView(context, workId));
  return found.ok ? (
    <ChangeWork view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work/${workId}`} label="To the work" />
  );
}
