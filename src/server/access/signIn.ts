import "server-only";
import { readClassCode } from "@/core/roster/classCode";
import { namesApart } from "@/core/roster/namesApart";
import { credentialOf, personByCard } from "@/db/queries/credentials";
import { classByCode, staffByEmail, studentsOfClasses } from "@/db/queries/people";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { todayOf } from "@/server/runtime/school";
import { emailKey, personKey } from "./doorKeys";
import { type Doorstep, enter, passDoor } from "./passDoor";
import { tokenHashOf } from "./secrets";

/** A class as the sign-in page shows it to whoever knows its code: names only. */
export interface ClassDoor {
  readonly className: string;
  readonly students: readonly {
    readonly id: string;
    readonly name: string;
    /** What the student types or taps; null when there is no PIN yet. */
    readonly pin: "number" | "picture" | null;
  }[];
}

/** The names behind a class code; a refusal that does not tell codes apart when there is none. */
export async function openClassDoor(runtime: Runtime, code: string): Promise<ClassDoor> {
  const found = await findClass(runtime, code);
  const students = await enrolledNow(runtime, found);
  const names = namesApart(students.map(({ person }) => person));
  return {
    className: found.name,
    students: students.map(({ person, pinKind }, place) => ({
      id: person.id,
      name: names[place] ?? "",
      pin: pinKind === "number" || pinKind === "picture" ? pinKind : null,
    })),
  };
}

const enrolledNow = async (runtime: Runtime, { id, schoolId }: { readonly id: string; readonly schoolId: string }) =>
  studentsOfClasses(runtime.db.read, [id], await todayOf(runtime, schoolId));

/** Codes are long enough that nothing need be counted here, and so nobody can shut this door for others (decisions/0013). */
async function findClass(runtime: Runtime, code: string) {
  const found = await classByCode(runtime.db.read, readClassCode(code));
  if (found) return found;
  throw new Refusal("not-found", "No class has this code. Check the card, or ask your teacher.");
}

/** Signs a student in by class code, name and PIN; returns the token for the cookie. */
export async function signInStudent(
  runtime: Runtime,
  input: { readonly code: string; readonly studentId: string; readonly pin: string },
  from: Doorstep,
): Promise<string> {
  const found = await findClass(runtime, input.code);
  const student = (await enrolledNow(runtime, found)).find(({ person }) => person.id === input.studentId);
  if (!student) throw new Refusal("not-found", "This name is not in the class. Start again with the class code.");
  const { person } = student;
  if (!(await credentialOf(runtime.db.read, person.id)))
    throw new Refusal("not-found", "You have no PIN yet. Your teacher can make one for you.");
  const asked = { owner: personKey(person.id), candidates: [person], secret: input.pin, by: "pin" as const };
  const entered = await passDoor(runtime, asked, from, {
    wrong: "That PIN is not right.",
    wait: (time) => `Wait ${time} before the next try, go in with your card, or ask your teacher.`,
  });
  if (entered === "code") throw new Refusal("not-allowed", "Students sign in without a second step.");
  return entered.token;
}

/** Signs a student in by the token in the printed code of a card: 128 random bits, so nothing is counted. */
export async function signInByCard(runtime: Runtime, cardToken: string, from: Doorstep): Promise<string> {
  const found = await personByCard(runtime.db.read, tokenHashOf(cardToken));
  if (!found || found.person.archivedAt !== null)
    throw new Refusal("not-found", "This card does not work any more. Your teacher can print a new one.");
  return runtime.db.write((tx) => enter(runtime, tx, found.person, "card", from));
}

/**
 * Signs a member of staff in by email and password, and by a code where a second step is set up: without it, the answer is
 * "code" and nothing is opened. Addresses that nobody has are answered with the same words after the same work.
 */
export async function signInStaff(
  runtime: Runtime,
  input: { readonly email: string; readonly password: string; readonly code?: string | undefined },
  from: Doorstep,
): Promise<{ readonly token: string } | "code"> {
  const { email, password, code } = input;
  const candidates = await staffByEmail(runtime.db.read, email.trim().toLowerCase());
  const asked = { owner: emailKey(email), candidates, secret: password, code, by: "password" as const };
  return passDoor(runtime, asked, from, {
    wrong: "Email or password is not right.",
    wait: (time) => `Try again in ${time}, or ask for a new password.`,
  });
}
