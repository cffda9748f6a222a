import type { ReactNode } from "react";
import { TrialPlace } from "@/features/delivery/view/WorkPlace";
import { TrialBar } from "@/features/work/view/TrialBar";
import { requireStaffPage } from "@/server/access/pages";

/** A trial run: a student's pages under a bar that says so. */
export default async function Layout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ workId: string }>;
}) {
  await requireStaffPage();
  const { workId } = await params;
  return (
    <>
      <TrialBar trialId={workId} />
      <TrialPlace>{children}</TrialPlace>
    </>
  );
}
