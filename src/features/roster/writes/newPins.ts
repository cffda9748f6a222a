import "server-only";
import { array, object, string } from "yup";
import { classesOfStaff, revokeSessionsOf, setSecret, studentsOfClasses } from "@/db/queries/people";
import { demand, demandStaff } from "@/server/access/demand";
import { hashSecret } from "@/server/access/secrets";
import type { Context } from "@/server/runtime/context";
import { recordChange } from "@/server/runtime/history";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import type { SignInSlip } from "../types";

const input = object({
  studentIds: array(string().required()).min(1, "Choose at least one student.").max(400).required(),
});

/**
 * Gives students new PINs, lifts their locks and signs them out everywhere. The PINs are returned once, for the slips; only
 * their hashes are stored.
 */
export async function newPins(context: Context, raw: unknown): Promise<SignInSlip[]> {
  const staff = demandStaff(context.actor);
  const { studentIds } = validated(input, raw);
  const classes = await classesOfStaff(context.runtime.db.read, staff.personId);
  const students = await studentsOfClasses(context.runtime.db.read, staff.classIds);
  const chosen = students.filter(({ person }) => studentIds.includes(person.id));
  if (chosen.length !== new Set(studentIds).size)
    throw new Refusal("not-allowed", "Some of these students are not in your classes.");
  const slips: SignInSlip[] = [];
  const hashes = new Map<string, string>();
  for (const { person, classId } of chosen) {
    demand(staff, "change", { kind: "student", personId: person.id, classIds: [classId] });
    const pin = String(Math.floor(context.runtime.random() * 10_000)).padStart(4, "0");
    const own = classes.find(({ id }) => id === classId);
    slips.push({
      studentId: person.id,
      name: `${person.givenName} ${person.familyName}`,
      className: own?.name ?? "",
      code: own?.code ?? "",
      pin,
    });
    hashes.set(person.id, await hashSecret(pin));
  }
  await context.runtime.db.write(async (tx) => {
    for (const [personId, hash] of hashes) {
      await setSecret(tx, personId, hash);
      await revokeSessionsOf(tx, personId, context.runtime.now());
    }
    for (const classId of new Set(chosen.map((student) => student.classId))) {
      const count = chosen.filter((student) => student.classId === classId).length;
      await recordChange(tx, context, {
        kind: "new-pins",
        summary: count === 1 ? `New PIN for ${chosen[0]?.person.givenName}` : `New PINs for ${count} students`,
        classId,
        rows: [],
      });
    }
  });
  return slips;
}
