import type { Metadata } from "next";
import { studentFacts } from "@/features/facts/reads/classFacts";
import { StudentFactsPage } from "@/features/facts/view/teacher/StudentFactsPage";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Number facts of a student" };

export default async function Page({ params }: { params: Promise<{ classes: string; studentId: string }> }) {
  const { classes: key, studentId } = await params;
  await someClasses(key);
  const found = await attempt((context) => studentFacts(context, studentId));
  return found.ok ? (
    <StudentFactsPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work/facts`} label="To the class's number facts" />
  );
}
