import "server-only";
import { number, object, string } from "yup";
import { noteHints } from "@/db/queries/sittings";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { forgetRunOf, freshRun } from "../reads/keptRuns";
import { hintsOf, subjectOfRun } from "../reads/run";

const hintInput = object({
  sittingId: string().required(),
  presentationId: string().required(),
  /** Hints that the browser has: the next one is wanted. Sent twice, it is the same one. */
  given: number().integer().min(0).default(0),
});

/** Hands out the next hint of the open item and remembers it: what was answered with a hint is known, not told. None is skipped. */
export async function giveHint(context: Context, input: unknown): Promise<{ readonly hint: string }> {
  const { sittingId, presentationId, given } = validated(hintInput, input);
  const { runtime, actor } = context;
  const run = await freshRun(runtime, sittingId);
  if (!run) throw new Refusal("not-found", "This work is not on your list.");
  demand(actor, "work-on", subjectOfRun(run));
  const open = run.items.find(({ id, state }) => id === presentationId && state === "open");
  const hints = open ? hintsOf(run, open) : [];
  const place = Math.min(given, open?.hints ?? 0, hints.length - 1);
  const hint = hints[place];
  const none = new Refusal("not-found", "There is no hint for this item.");
  if (!open || hint === undefined || run.work.withdrawnAt !== null) throw none;
  if (open.hints <= place) {
    const noted = await runtime.db.write((tx) => noteHints(tx, sittingId, open.id, place + 1));
    forgetRunOf(runtime, run.personId);
    if (!noted) throw none;
  }
  return { hint };
}
