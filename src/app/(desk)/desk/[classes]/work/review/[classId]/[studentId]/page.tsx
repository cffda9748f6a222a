import type { Metadata } from "next";
import { studentReview } from "@/features/review/reads/studentReview";
import { StudentReviewPage } from "@/features/review/view/teacher/StudentReviewPage";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Review of a student" };

export default async function Page({
  params,
}: {
  params: Promise<{ classes: string; classId: string; studentId: string }>;
}) {
  const { classes: key, classId, studentId } = await params;
  await someClasses(key);
  const found = await attempt((context) => studentReview(context, classId, studentId));
  return found.ok ? (
    <StudentReviewPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work/review`} label="To the class's review" />
  );
}
