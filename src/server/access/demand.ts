import "server-only";
import { Refusal } from "@/server/runtime/refusal";
import { type Actor, may, type Subject, type Verb } from "./policy";

/** Goes on only when the policy allows it. The message never tells whether the thing exists. */
export function demand(actor: Actor, verb: Verb, subject: Subject): void {
  if (!may(actor, verb, subject))
    throw new Refusal("not-allowed", "This is not open to you. If you think it should be, ask the class's teacher.");
}

/** The asking member of staff; a refusal for students. */
export function demandStaff(actor: Actor): Extract<Actor, { kind: "staff" }> {
  if (actor.kind !== "staff") throw new Refusal("not-allowed", "This page is for teachers.");
  return actor;
}
