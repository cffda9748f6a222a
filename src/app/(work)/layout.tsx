import type { ReactNode } from "react";
import { ownLook } from "@/features/delivery/reads/ownLook";
import { KeepPages } from "@/features/delivery/view/KeepPages";
import { requireStudentPage } from "@/server/access/pages";
import { attempt } from "@/server/runtime/attempt";

/** Students' pages: this device keeps what is opened. */
export default async function Layout({ children }: { children: ReactNode }) {
  const { personId } = await requireStudentPage();
  const look = await attempt(ownLook);
  return (
    <>
      {look.ok && look.data.largerText ? <div className="larger-text">{children}</div> : children}
      <KeepPages personId={personId} />
    </>
  );
}
