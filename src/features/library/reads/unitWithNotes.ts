import "server-only";
import type { Context } from "@/server/runtime/context";
import { notesFor } from "./notes";
import { unitPage } from "./units";

/** A unit with the asking person's notes on it. */
export const unitWithNotes = async (context: Context, unitId: string) => ({
  unit: await unitPage(context, unitId),
  notes: await notesFor(context, "unit", unitId),
});
