import "server-only";
import { redirect } from "next/navigation";
import { currentActor } from "./currentActor";
import type { Actor } from "./policy";

/** The member of staff signed in; students go to their own page, others to the sign-in. */
export async function requireStaffPage(): Promise<Extract<Actor, { kind: "staff" }>> {
  const actor = await currentActor();
  if (!actor) redirect("/sign-in");
  if (actor.kind !== "staff") redirect("/river");
  return actor;
}

/** The student signed in; staff go to their desk, others to the sign-in. */
export async function requireStudentPage(): Promise<Extract<Actor, { kind: "student" }>> {
  const actor = await currentActor();
  if (!actor) redirect("/sign-in");
  if (actor.kind !== "student") redirect("/desk/all");
  return actor;
}
