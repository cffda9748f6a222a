import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { schoolNameForDoor } from "@/features/access/reads";
import { FirstStart } from "@/features/access/view/FirstStart";
import { SignIn } from "@/features/access/view/SignIn";
import { currentActor } from "@/server/access/currentActor";

export const metadata: Metadata = { title: "Sign in" };
export const dynamic = "force-dynamic";

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ as?: string }> }) {
  if (await currentActor()) redirect("/");
  const schoolName = await schoolNameForDoor();
  if (schoolName === null) return <FirstStart />;
  return <SignIn schoolName={schoolName} startAsStaff={(await searchParams).as === "teacher"} />;
}
