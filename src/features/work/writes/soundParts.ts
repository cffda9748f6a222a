import "server-only";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { PartInput } from "./giveInput";

/** Most skills that one adaptive practice goes over; a test may ask for more. */
const MOST_PRACTISED = 6;

/** Refuses parts that nobody could work on: without a skill, or hanging on parts that are not there or come later. */
export async function soundParts({ runtime }: Context, parts: readonly PartInput[]): Promise<void> {
  const library = await libraryOf(runtime);
  const before = new Set<string>();
  for (const part of parts) {
    if (before.has(part.id)) throw new Refusal("invalid", "Two parts are the same. Open the page again.");
    for (const id of part.skillIds) library.skill(id);
    const { missedIn } = part.settings;
    if (missedIn === undefined && part.skillIds.length === 0)
      throw new Refusal("invalid", "Choose at least one skill.");
    if (!conductorOf(part.kind).standsWhole && part.skillIds.length > MOST_PRACTISED)
      throw new Refusal("invalid", "Choose at most six skills.");
    if (
      missedIn !== undefined &&
      !parts.some(({ id, kind }) => id === missedIn.partId && conductorOf(kind).standsWhole)
    )
      throw new Refusal("invalid", "A part that follows a test needs that test in the same work.");
    for (const rule of part.opening)
      if ("partId" in rule && !before.has(rule.partId))
        throw new Refusal("invalid", "A part can wait only for parts that stand before it.");
    before.add(part.id);
  }
}
