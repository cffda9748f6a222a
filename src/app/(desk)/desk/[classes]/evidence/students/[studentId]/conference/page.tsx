import type { Metadata } from "next";
import { studentReport } from "@/features/evidence/reads/student/studentReport";
import { ConferencePage } from "@/features/evidence/view/student/ConferencePage";
import { Refused } from "@/ui/layout/Refused";
import { openStudent, type StudentProps } from "../openStudent";

export const metadata: Metadata = { title: "For a conference" };

export default async function Page(props: StudentProps) {
  const { found, students, back } = await openStudent(props, studentReport);
  if (!found.ok) return <Refused message={found.message} href={students} label="To the students" />;
  return <ConferencePage view={found.data.view} back={back} />;
}
