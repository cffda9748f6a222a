import type { ChangeArea } from "./changeArea";
import type { PlanLevel, PlanPace, PlanStartFrom } from "./planPlace";

/** What the history says of changes of plans and of the calendar that dates them. */
export interface PlanFacts {
  "plan-chosen": { readonly subject: string; readonly grade: number; readonly classes: number };
  /** A plan of a person or a school, given to classes. */
  "plan-given": { readonly name: string; readonly classes: number };
  "plan-changed": {
    readonly what: "move" | "insert" | "remove" | "change";
    readonly slot: string;
    readonly classes: number;
  };
  /** Of a plan that is no class's own. */
  "plan-made": { readonly name: string };
  "plan-renamed": { readonly name: string };
  "plan-put-away": { readonly name: string };
  "plan-brought-back": { readonly name: string };
  "plan-opened": {
    readonly name: string;
    readonly personId: string | null;
    readonly school: string | null;
    readonly level: PlanLevel;
  };
  "plan-closed": { readonly name: string; readonly personId: string | null; readonly school: string | null };
  "shared-plan-changed": {
    readonly name: string;
    readonly what: "move" | "insert" | "remove" | "change";
    readonly slot: string;
  };
  /** Later changes of the plan that another was copied from: taken over, and turned down. */
  "plan-taken-over": { readonly name: string; readonly taken: number; readonly left: number };
  "class-plan-taken-over": { readonly name: string; readonly taken: number; readonly left: number };
  "plan-run-set": { readonly runs: boolean; readonly pace: PlanPace };
  "plan-starts-set": { readonly students: number; readonly from: PlanStartFrom; readonly slot: string | null };
  /** How many ranges of addresses tell that a student is at school. */
  "networks-changed": { readonly networks: number };
  /** School days taken out or given back, and how many classes had their dates moved. */
  "calendar-changed": { readonly added: number; readonly removed: number; readonly classes: number };
}

/** Where each of them stands in the history: a plan that is no class's own is part of the library. */
export const AREA_OF_PLANS: Readonly<Record<keyof PlanFacts, ChangeArea>> = {
  "plan-chosen": "plan",
  "plan-given": "plan",
  "plan-changed": "plan",
  "plan-made": "library",
  "plan-renamed": "library",
  "plan-put-away": "library",
  "plan-brought-back": "library",
  "plan-opened": "library",
  "plan-closed": "library",
  "shared-plan-changed": "library",
  "plan-taken-over": "library",
  "class-plan-taken-over": "plan",
  "plan-run-set": "plan",
  "plan-starts-set": "plan",
  "networks-changed": "plan",
  "calendar-changed": "plan",
};
