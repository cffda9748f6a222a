import "server-only";
import { cookies } from "next/headers";
import { cache } from "react";
import { Refusal } from "@/server/runtime/refusal";
import { theRuntime } from "@/server/runtime/runtime";
import { actorOf } from "./actorOf";
import { sessionCookie } from "./cookies";
import type { Actor } from "./policy";
import { personOfToken } from "./sessions";

/** Whoever is signed in, once per request. */
export const currentActor = cache(async (): Promise<Actor | null> => {
  const runtime = await theRuntime();
  const token = (await cookies()).get(sessionCookie(runtime, "staff").name)?.value;
  const person = token ? await personOfToken(runtime, token) : null;
  return person ? actorOf(runtime, person) : null;
});

export async function requireActor(): Promise<Actor> {
  const actor = await currentActor();
  if (!actor) throw new Refusal("signed-out", "You are signed out. Sign in again; nothing was lost.");
  return actor;
}
