import type { Metadata } from "next";
import { studentRecord } from "@/features/roster/reads/studentRecord";
import { StudentRecordPage } from "@/features/roster/view/StudentRecordPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Student" };

export default async function Page({ params }: { params: Promise<{ classes: string; studentId: string }> }) {
  const { classes: key, studentId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => studentRecord(context, studentId));
  return found.ok ? (
    <StudentRecordPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/roster`} label="Back to the roster" />
  );
}
