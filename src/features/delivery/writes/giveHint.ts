import "server-only";
import { object, string } from "yup";
import { situationOfAnswer, updateSitting } from "@/db/queries/delivery";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { libraryOf } from "@/server/runtime/library";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const hintInput = object({ sittingId: string().required(), presentationId: string().required() });

/** Hands out the hint of the open item and remembers it: what was answered with a hint is known, not told. */
export async function giveHint(context: Context, input: unknown): Promise<{ readonly hint: string }> {
  const { sittingId, presentationId } = validated(hintInput, input);
  const library = await libraryOf(context.runtime);
  return context.runtime.db.write(async (tx) => {
    const found = await situationOfAnswer(tx, sittingId, "");
    if (!found) throw new Refusal("not-found", "This work is not on your list.");
    const { sitting, work } = found;
    demand(context.actor, "work-on", { kind: "sitting", personId: sitting.personId, classId: work.classId });
    const open = sitting.presentations.find(({ id, state }) => id === presentationId && state === "open");
    const hint = open ? library.item(open.modelId, open.modelVersion, open.seed, open.context).hint : null;
    if (!open || !hint || work.kind === "check" || work.withdrawnAt !== null)
      throw new Refusal("not-found", "There is no hint for this item.");
    const presentations = sitting.presentations.map((p) => (p.id === open.id ? { ...p, hints: 1 } : p));
    if (open.hints === undefined) await updateSitting(tx, { ...sitting, presentations });
    return { hint };
  });
}
