import type { ReactNode } from "react";
import { KeepPages } from "@/features/delivery/view/KeepPages";
import { requireStudentPage } from "@/server/access/pages";

/** Students' pages: this device keeps what is opened. */
export default async function Layout({ children }: { children: ReactNode }) {
  const { personId } = await requireStudentPage();
  return (
    <>
      {children}
      <KeepPages personId={personId} />
    </>
  );
}
