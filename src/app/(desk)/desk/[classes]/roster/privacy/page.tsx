import type { Metadata } from "next";
import { privacyView } from "@/features/roster/reads/schoolPages";
import { PrivacyPage } from "@/features/roster/view/PrivacyPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Privacy and leavers" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt((context) => privacyView(context));
  return found.ok ? (
    <PrivacyPage view={found.data} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/roster`} label="Back to the roster" />
  );
}
