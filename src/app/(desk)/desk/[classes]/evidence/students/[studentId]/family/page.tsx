import type { Metadata } from "next";
import { familyView } from "@/features/evidence/reads/student/familyView";
import { FamilyPage } from "@/features/evidence/view/student/FamilyPage";
import { Refused } from "@/ui/layout/Refused";
import { openStudent, type StudentProps } from "../openStudent";

export const metadata: Metadata = { title: "For the family" };

export default async function Page(props: StudentProps) {
  const { found, students, back } = await openStudent(props, familyView);
  if (!found.ok) return <Refused message={found.message} href={students} label="To the students" />;
  return <FamilyPage view={found.data.view} back={back} />;
}
