import type { Metadata } from "next";
import { schoolNameForDoor } from "@/features/access/reads";
import { Forgotten } from "@/features/access/view/Forgotten";
import { DoorFrame } from "@/features/access/view/SignIn";

export const metadata: Metadata = { title: "A new password" };
export const dynamic = "force-dynamic";

export default async function ForgottenPage() {
  return (
    <DoorFrame schoolName={(await schoolNameForDoor()) ?? ""}>
      <Forgotten />
    </DoorFrame>
  );
}
