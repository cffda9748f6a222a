"use client";
import { useRef, useState } from "react";
import { sayDone, sayProblem } from "@/client/notices";
import { newSignInsAction } from "../actions";
import type { RosterStudent, SignInSlip } from "../types";
import type { SignInChoice } from "./SignInDialog";

/** Sorts behind every name. */
const LAST = "\uffff";

type Some = readonly Pick<RosterStudent, "id">[];

/**
 * Makes new sign-ins class by class: a whole school takes a while, shows how far it is, and can be stopped. What is made by
 * then is handed over in any case, since the old PINs of those students work no more.
 */
export function useNewSignIns(students: readonly RosterStudent[], made: (slips: readonly SignInSlip[]) => void) {
  const [done, setDone] = useState<number | null>(null);
  const stopped = useRef(false);
  const make = async (about: Some, choice: SignInChoice) => {
    stopped.current = false;
    setDone(0);
    const slips: SignInSlip[] = [];
    for (const studentIds of byClass(about, students)) {
      const result = await newSignInsAction({ studentIds, ...choice }).catch(() => ({
        ok: false as const,
        message: "The server can't be reached. Check the connection and try again.",
      }));
      if (!result.ok) {
        sayProblem(
          slips.length === 0 ? result.message : `${slips.length} of ${about.length} are made. Then: ${result.message}`,
        );
        break;
      }
      slips.push(...result.data);
      setDone(slips.length);
      if (stopped.current && slips.length < about.length) {
        sayDone(`${slips.length} of ${about.length} are made; the others keep what they have.`);
        break;
      }
    }
    setDone(null);
    if (slips.length > 0) made(slips);
  };
  return { done, make, stop: () => (stopped.current = true) };
}

/** The ids of each class together, in the order of the classes' names, as they are handed out; those without one at the end. */
function byClass(about: Some, students: readonly RosterStudent[]): string[][] {
  const rows = new Map(students.map((student) => [student.id, student]));
  const groups = new Map<string, { name: string; ids: string[] }>();
  for (const { id } of about) {
    const { classIds = [], className = "" } = rows.get(id) ?? {};
    const key = classIds[0] ?? "";
    const group = groups.get(key) ?? { name: key === "" ? LAST : className, ids: [] };
    groups.set(key, group);
    group.ids.push(id);
  }
  return [...groups.values()]
    .sort((x, y) => x.name.localeCompare(y.name, undefined, { numeric: true }))
    .map(({ ids }) => ids);
}
