import type { Metadata } from "next";
import { schoolNameForDoor } from "@/features/access/reads";
import { NewPassword } from "@/features/access/view/Forgotten";
import { DoorFrame } from "@/features/access/view/SignIn";

export const metadata: Metadata = { title: "A new password", referrer: "no-referrer" };
export const dynamic = "force-dynamic";

export default async function NewPasswordPage() {
  return (
    <DoorFrame schoolName={(await schoolNameForDoor()) ?? ""}>
      <NewPassword />
    </DoorFrame>
  );
}
