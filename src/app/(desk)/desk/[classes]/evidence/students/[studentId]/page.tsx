import type { Metadata } from "next";
import { studentReport } from "@/features/evidence/reads/student/studentReport";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { StudentReport } from "@/features/evidence/view/student/StudentReport";
import { giveMarkedAction } from "@/features/work/actions";
import { Refused } from "@/ui/layout/Refused";
import { openStudent, type StudentProps } from "./openStudent";

export const metadata: Metadata = { title: "One student" };

export default async function Page(props: StudentProps) {
  const { found, students } = await openStudent(props, studentReport);
  if (!found.ok) return <Refused message={found.message} href={students} label="To the students" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="students" listens={{ range: true }} whom={false} />
      <StudentReport view={found.data.view} give={giveMarkedAction} />
    </>
  );
}
