import "server-only";
import type { Runtime } from "@/server/runtime/runtime";
import { classesChosen } from "./ownClasses";
import type { StaffActor } from "./policy";

/** How somebody else's address names exactly these classes; null where they can't open them together. */
export async function keyFor(runtime: Runtime, actor: StaffActor, classIds: readonly string[]): Promise<string | null> {
  const found = await classesChosen(runtime, actor, "all");
  const all = found?.all ?? (await classesChosen(runtime, actor, "school"))?.all ?? [];
  const own = found ? all.slice(0, found.own) : [];
  if (classIds.length === 1) return all.find(({ id }) => id === classIds[0])?.slug ?? null;
  return own.length === classIds.length && own.every(({ id }) => classIds.includes(id)) ? "all" : null;
}
