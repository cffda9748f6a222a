import "server-only";
import { cookies } from "next/headers";
import { cache } from "react";
import { classesOfStaff } from "@/db/queries/people";
import { Refusal } from "@/server/runtime/refusal";
import { type Runtime, theRuntime } from "@/server/runtime/runtime";
import type { Actor } from "./policy";
import { personOfToken } from "./signIn";

export const SESSION_COOKIE = "oxbow_session";

/** The person behind a session token, with the rights of the moment; null when signed out. */
async function actorOfToken(runtime: Runtime, token: string | undefined): Promise<Actor | null> {
  const person = token ? await personOfToken(runtime, token) : null;
  if (!person) return null;
  const own = { personId: person.id, schoolId: person.schoolId, name: `${person.givenName} ${person.familyName}` };
  if (person.kind === "student") return { kind: "student", ...own };
  const classes = await classesOfStaff(runtime.db.read, person.id);
  return { kind: "staff", ...own, classIds: classes.map(({ id }) => id) };
}

/** Whoever is signed in, once per request. */
export const currentActor = cache(async (): Promise<Actor | null> => {
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return actorOfToken(await theRuntime(), token);
});

export async function requireActor(): Promise<Actor> {
  const actor = await currentActor();
  if (!actor) throw new Refusal("signed-out", "You are signed out. Sign in again; nothing was lost.");
  return actor;
}
