import type { Metadata } from "next";
import { sharedPlanView } from "@/features/plan/reads/sharedPlans";
import { SharedPlanPage } from "@/features/plan/view/SharedPlanPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "A plan" };

export default async function Page({ params }: { params: Promise<{ classes: string; planId: string }> }) {
  const { classes: key, planId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => sharedPlanView(context, planId));
  return found.ok ? (
    <SharedPlanPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/plan/plans`} label="To the plans" />
  );
}
