import { type PersonRow, rolesOf, staffByEmail } from "@/db/queries/people";
import { added } from "@/db/queries/rowChanges";
import { actorOf } from "@/server/access/actorOf";
import { recordChange } from "@/server/history/recordChange";
import { readEnvironment } from "@/server/runtime/environment";
import { openRuntime } from "@/server/runtime/runtime";
import { dayAt, schoolOf } from "@/server/runtime/school";

/** Makes a member of staff a coordinator, for an installation that has none: `npm run coordinator -- name@school.example`. */
const email = process.argv[2]?.trim().toLowerCase() ?? "";
const runtime = await openRuntime(readEnvironment());
const staff = await staffByEmail(runtime.db.read, email);
if (staff.length === 0) {
  console.error(`Nobody on the staff has the address “${email}”.`);
  process.exitCode = 1;
} else for (const person of staff) await promote(person);
runtime.db.close();

async function promote(person: PersonRow): Promise<void> {
  const today = dayAt(await schoolOf(runtime, person.schoolId), runtime.now());
  const roles = await rolesOf(runtime.db.read, [person.id], today);
  if (roles.some(({ role }) => role === "coordinator")) console.log("They are a coordinator already.");
  else {
    const context = { runtime, actor: await actorOf(runtime, person) };
    await runtime.db.write((tx) =>
      recordChange(tx, context, {
        kind: "coordinator-named",
        facts: { personId: person.id },
        classId: null,
        rows: [
          added("roles", {
            id: runtime.newId(),
            personId: person.id,
            schoolId: person.schoolId,
            role: "coordinator",
            fromDay: today,
          }),
        ],
      }),
    );
    console.log(`${person.givenName} ${person.familyName} is a coordinator from now on.`);
  }
}
