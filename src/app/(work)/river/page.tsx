import type { Metadata } from "next";
import { signOutAction } from "@/features/access/actions";
import { studentHome } from "@/features/delivery/reads";
import { StudentHomePage } from "@/features/delivery/view/StudentHomePage";
import { requireStudentPage } from "@/server/access/pages";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "My river" };

export default async function Page() {
  const { personId } = await requireStudentPage();
  const found = await attempt(studentHome);
  return found.ok ? (
    <StudentHomePage home={found.data} personId={personId} signOut={signOutAction} />
  ) : (
    <Refused message={found.message} href="/" label="Back to the start" />
  );
}
