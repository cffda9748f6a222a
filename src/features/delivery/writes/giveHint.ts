import "server-only";
import { object, string } from "yup";
import { noteHint } from "@/db/queries/sittings";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { forgetRunOf, freshRun } from "../reads/keptRuns";
import { drawnOf, subjectOfRun } from "../reads/run";

const hintInput = object({ sittingId: string().required(), presentationId: string().required() });

/** Hands out the hint of the open item and remembers it: what was answered with a hint is known, not told. */
export async function giveHint(context: Context, input: unknown): Promise<{ readonly hint: string }> {
  const { sittingId, presentationId } = validated(hintInput, input);
  const { runtime, actor } = context;
  const run = await freshRun(runtime, sittingId);
  if (!run) throw new Refusal("not-found", "This work is not on your list.");
  demand(actor, "work-on", subjectOfRun(run));
  const open = run.items.find(({ id, state }) => id === presentationId && state === "open");
  const hint = open ? drawnOf(run, open).hint : "";
  const none = new Refusal("not-found", "There is no hint for this item.");
  if (!open || hint === "" || !run.conductor.tells.hints || run.work.withdrawnAt !== null) throw none;
  if (open.hints === 0) {
    const noted = await runtime.db.write((tx) => noteHint(tx, sittingId, open.id));
    forgetRunOf(runtime, run.personId);
    if (!noted) throw none;
  }
  return { hint };
}
