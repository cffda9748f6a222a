import "server-only";
import { number, object } from "yup";
import { keepGoal } from "@/db/queries/ownChoice";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const input = object({
  daysAWeek: number().integer().min(0).max(7, "A week has 7 days.").required(),
});

/** Keeps on how many days of a week the asking student means to work; 0 takes the goal away. */
export async function setGoal(context: Context, raw: unknown): Promise<{ readonly daysAWeek: number }> {
  const { daysAWeek } = validated(input, raw);
  const { runtime, actor } = context;
  if (actor.kind !== "student") throw new Refusal("not-allowed", "Students set this for themselves.");
  const goal = daysAWeek === 0 ? null : { daysAWeek, setAt: runtime.now() };
  await runtime.db.write((tx) => keepGoal(tx, actor.personId, goal));
  return { daysAWeek };
}
