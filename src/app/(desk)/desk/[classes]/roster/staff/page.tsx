import type { Metadata } from "next";
import { staffView } from "@/features/roster/reads/schoolPages";
import { StaffPage } from "@/features/roster/view/StaffPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Staff and roles" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt((context) => staffView(context));
  return found.ok ? (
    <StaffPage view={found.data} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/roster`} label="Back to the roster" />
  );
}
