import type { Metadata } from "next";
import { workItems } from "@/features/scoring/reads/workItems";
import { ItemsOfWork } from "@/features/scoring/view/ItemsOfWork";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Items of a test" };

export default async function Page({ params }: { params: Promise<{ classes: string; workId: string }> }) {
  const { classes: key, workId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => workItems(context, workId));
  return found.ok ? (
    <ItemsOfWork view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work/${workId}`} label="To the work" />
  );
}
