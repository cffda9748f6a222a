import "server-only";
import { log } from "@/server/runtime/log";
import { Refusal } from "@/server/runtime/refusal";
import { type Actor, may, type StaffActor, type Subject, type VerbOf } from "./policy";

/** Goes on only when the policy allows it. The message never tells whether the thing exists. */
export function demand<S extends Subject>(actor: Actor, verb: VerbOf<S["kind"]>, subject: S): void {
  if (may(actor, verb, subject)) return;
  log("warn", "not allowed", { details: { actorId: actor.personId, verb, kind: subject.kind } });
  throw new Refusal("not-allowed", "This is not open to you. If you think it should be, ask the class's teacher.");
}

/** The asking member of staff; a refusal for students. */
export function demandStaff(actor: Actor): StaffActor {
  if (actor.kind !== "staff") throw new Refusal("not-allowed", "This page is for teachers.");
  return actor;
}
