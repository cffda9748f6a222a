import { redirect } from "next/navigation";
import { currentActor } from "@/server/access/currentActor";

/** Everybody's way in: teachers to their desk, students to their river. */
export default async function Home() {
  const actor = await currentActor();
  redirect(!actor ? "/sign-in" : actor.kind === "staff" ? "/desk/all" : "/river");
}
