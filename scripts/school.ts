import { randomBytes } from "node:crypto";
import { parseArgs } from "node:util";
import { setSecret } from "@/db/queries/credentials";
import { anySchool } from "@/db/queries/people";
import { insertSchool } from "@/db/queries/school";
import { hashSecret } from "@/server/access/secrets";
import { readEnvironment } from "@/server/runtime/environment";
import { openRuntime, type Runtime } from "@/server/runtime/runtime";
import { dayAt } from "@/server/runtime/school";
import { installShippedContent } from "~/demo/shippedContent";

/**
 * Sets a school up, and brings the shipped content up to date; running it again does the second only:
 * `npm run school -- --name "Our School" --zone Europe/Dublin --coordinator "Ada Sample" --email ada@school.example`.
 */
const { values } = parseArgs({
  options: {
    name: { type: "string" },
    zone: { type: "string" },
    coordinator: { type: "string" },
    email: { type: "string" },
  },
});

/** What is missing or wrong, in words; null when a school can be made of it. */
function fault({ name, zone, coordinator, email }: typeof values): string | null {
  if (!name || !zone || !coordinator || !email) return "A school needs --name, --zone, --coordinator and --email.";
  if (!/^\S+@\S+\.\S+$/.test(email)) return `“${email}” is no address.`;
  if (!/^\S+ \S/.test(coordinator)) return "Write the coordinator's given name and family name.";
  try {
    new Intl.DateTimeFormat("en", { timeZone: zone });
    return null;
  } catch {
    return `“${zone}” is no time zone. Write one like Europe/Dublin.`;
  }
}

async function makeSchool(runtime: Runtime): Promise<string> {
  const { name = "", zone: timeZone = "", coordinator = "", email = "" } = values;
  const [givenName = "", ...rest] = coordinator.split(" ");
  const [schoolId, personId] = [runtime.newId(), runtime.newId()];
  const today = dayAt({ timeZone }, runtime.now());
  const year = Number(today.slice(0, 4));
  // A school year begins in August; it can be corrected, and further terms come with the roster file.
  const from = today.slice(5) >= "08-01" ? year : year - 1;
  const password = randomBytes(9).toString("base64url");
  const secret = await hashSecret(password);
  await runtime.db.write(async (tx) => {
    await insertSchool(tx, {
      school: { id: schoolId, name, timeZone },
      term: {
        id: runtime.newId(),
        schoolId,
        name: `${from}/${from + 1}`,
        startDay: `${from}-08-01`,
        endDay: `${from + 1}-07-31`,
        kind: "schoolYear",
        schoolYear: from + 1,
      },
      holidays: [],
      staff: [
        { id: personId, schoolId, kind: "staff", givenName, familyName: rest.join(" "), email: email.toLowerCase() },
      ],
      roles: [{ id: runtime.newId(), personId, schoolId, role: "coordinator" }],
    });
    await setSecret(tx, personId, secret, "password");
  });
  return password;
}

const runtime = await openRuntime(readEnvironment());
const known = await anySchool(runtime.db.read);
const wrong = known ? null : fault(values);
if (wrong) {
  console.error(
    `${wrong}\nFor example: npm run school -- --name "Our School" --zone Europe/Dublin --coordinator "Ada Sample" --email ada@school.example`,
  );
  process.exitCode = 1;
} else {
  const { skills, items, newItems, newVersions, retiredItems } = await installShippedContent(runtime);
  console.log(
    `Content: ${skills} skills, ${items} items; ${newItems} new, ${newVersions} in a new version, ${retiredItems} retired.`,
  );
  if (known) console.log("The database holds a school already; it is kept as it is.");
  else {
    const password = await makeSchool(runtime);
    console.log(`${values.name} is set up. Sign in as ${values.email} with the password ${password} and change it.`);
  }
}
runtime.db.close();
