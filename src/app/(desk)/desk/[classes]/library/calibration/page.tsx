import type { Metadata } from "next";
import { calibrationView } from "@/features/library/reads/calibration";
import { CalibrationPage } from "@/features/library/view/CalibrationPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Items and answers" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<{ bank?: string }>;
}) {
  const [{ classes: key }, { bank }] = await Promise.all([params, searchParams]);
  await ownClasses(key);
  const found = await attempt((context) => calibrationView(context, bank ?? null));
  return found.ok ? (
    <CalibrationPage key={found.data.latest?.id} view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/banks`} label="To the banks" />
  );
}
