import "server-only";
import { anySchool } from "@/db/queries/people";
import { theRuntime } from "@/server/runtime/runtime";

/** The school's name for the sign-in page; an installation serves one school. */
export async function schoolNameForDoor(): Promise<string> {
  const runtime = await theRuntime();
  return (await anySchool(runtime.db.read))?.name ?? "No school has been set up yet.";
}
