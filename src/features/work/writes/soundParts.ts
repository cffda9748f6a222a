import "server-only";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { type Library, libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { MOST_PICKED, type PartInput } from "./giveInput";

/** Refuses a part that goes over other skills, or asks more items, than its kind can. */
function soundScope(library: Library, { kind, skillIds, settings }: PartInput): void {
  const { goesOver } = conductorOf(kind);
  if (goesOver.by === "strands") {
    const strands = new Set(skillIds.map((id) => library.skill(id).strandId));
    if (settings.scope === undefined || settings.scope.strandIds.some((id) => !strands.has(id)))
      throw new Refusal("invalid", "Choose at least one strand, each with skills in the library.");
    return;
  }
  if (settings.items > MOST_PICKED) throw new Refusal("invalid", `Give at most ${MOST_PICKED} items.`);
  if (skillIds.length > goesOver.most) throw new Refusal("invalid", `Choose at most ${goesOver.most} skills.`);
  if (goesOver.least > 1 && skillIds.length < goesOver.least)
    throw new Refusal("invalid", `Choose at least ${goesOver.least} skills to be told apart.`);
}

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
    soundScope(library, part);
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
