import type { Metadata } from "next";
import { frameworkStart } from "@/features/library/reads/frameworkImport";
import { FrameworkStart } from "@/features/library/view/FrameworkStart";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Bring standards in" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt(frameworkStart);
  return found.ok ? (
    <FrameworkStart base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/standards`} label="To the standards" />
  );
}
