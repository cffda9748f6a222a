import type { Metadata } from "next";
import { classSettings } from "@/features/roster/reads/classSettings";
import { ClassSettingsPage } from "@/features/roster/view/ClassSettingsPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Class" };

export default async function Page({ params }: { params: Promise<{ classes: string; classId: string }> }) {
  const { classes: key, classId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => classSettings(context, classId));
  return found.ok ? (
    <ClassSettingsPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/roster`} label="Back to the roster" />
  );
}
