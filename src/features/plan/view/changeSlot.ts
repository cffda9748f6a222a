import type { PlanSlotView } from "../types";

/** What is done to a slot, as the server is asked for it, and what is said once it is done. */
export type ChangeSlot = (
  slot: PlanSlotView,
  change: { readonly what: "move" | "remove" | "change"; readonly place?: number; readonly values?: object },
  said: string,
) => void;
