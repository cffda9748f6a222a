import type { Metadata } from "next";
import { rosterView } from "@/features/roster/reads/rosterView";
import { policyWords, whoCanSee } from "@/features/roster/reads/studentRecord";
import { AccessPage } from "@/features/roster/view/AccessPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Who can see whom" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<{ student?: string }>;
}) {
  const { classes: key } = await params;
  await ownClasses(key);
  const { student } = await searchParams;
  const found = await attempt(async (context) => ({
    view: student ? await whoCanSee(context, student) : null,
    policy: policyWords(),
    students: (await rosterView(context, [])).students.map(({ id, name }) => ({ id, name })),
  }));
  return found.ok ? (
    <AccessPage {...found.data} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/roster`} label="Back to the roster" />
  );
}
