import "server-only";
import {
  classByCode,
  credentialOf,
  insertSession,
  type PersonRow,
  personOfSession,
  revokeSession,
  setTries,
  staffByEmail,
  studentsOfClasses,
} from "@/db/queries/people";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { hashSecret, newToken, secretFits, tokenHashOf } from "./secrets";

const MINUTE = 60_000;
const MOST_TRIES = 5;
const LOCK_MINUTES = 10;
const SESSION_HOURS = { staff: 12, student: 8 } as const;

/** A class as the sign-in page shows it to whoever knows its code: names only. */
export interface ClassDoor {
  readonly className: string;
  readonly students: readonly { readonly id: string; readonly name: string }[];
}

/** The names behind a class code; a refusal that does not tell codes apart when there is none. */
export async function openClassDoor(runtime: Runtime, code: string): Promise<ClassDoor> {
  const found = await classByCode(runtime.db.read, code.trim().toUpperCase());
  if (!found) throw new Refusal("not-found", "No class has this code. Check the card, or ask your teacher.");
  const students = await studentsOfClasses(runtime.db.read, [found.id]);
  return {
    className: found.name,
    students: students.map(({ person }) => ({
      id: person.id,
      name: `${person.givenName} ${person.familyName.slice(0, 1)}`,
    })),
  };
}

/** Signs a student in by class code, name and PIN; returns the token for the cookie. */
export async function signInStudent(
  runtime: Runtime,
  input: { code: string; studentId: string; pin: string },
): Promise<string> {
  const found = await classByCode(runtime.db.read, input.code.trim().toUpperCase());
  const students = found ? await studentsOfClasses(runtime.db.read, [found.id]) : [];
  const student = students.find(({ person }) => person.id === input.studentId)?.person;
  if (!student) throw new Refusal("not-found", "This name is not in the class. Start again with the class code.");
  return signIn(runtime, student, input.pin, {
    none: "You have no PIN yet. Your teacher can make one for you.",
    wrong: (left) => `That PIN is not right. ${left} ${left === 1 ? "try" : "tries"} left.`,
    locked: (minutes) => `Too many tries. Wait ${minutes} min, or ask your teacher for a new PIN.`,
  });
}

/** Signs a member of staff in by email and password; returns the token for the cookie. */
export async function signInStaff(runtime: Runtime, input: { email: string; password: string }): Promise<string> {
  const person = await staffByEmail(runtime.db.read, input.email.trim().toLowerCase());
  if (!person) {
    // Hashing all the same keeps unknown addresses from answering faster than known ones.
    await hashSecret(input.password);
    throw new Refusal("not-found", "Email or password is not right.");
  }
  return signIn(runtime, person, input.password, {
    none: "Email or password is not right.",
    wrong: () => "Email or password is not right.",
    locked: (minutes) => `Too many tries. Wait ${minutes} min and try again.`,
  });
}

interface SignInWords {
  readonly none: string;
  readonly wrong: (triesLeft: number) => string;
  readonly locked: (minutes: number) => string;
}

async function signIn(runtime: Runtime, person: PersonRow, secret: string, words: SignInWords): Promise<string> {
  const now = runtime.now();
  const credential = await credentialOf(runtime.db.read, person.id);
  if (!credential) throw new Refusal("not-found", words.none);
  if (credential.lockedUntil !== null && credential.lockedUntil > now) {
    throw new Refusal("locked", words.locked(Math.ceil((credential.lockedUntil - now) / MINUTE)));
  }
  const fits = await secretFits(credential.secretHash, secret);
  const outcome = await runtime.db.write(async (tx) => {
    if (fits) {
      const token = newToken();
      await setTries(tx, person.id, { failedTries: 0, lockedUntil: null, lastSignInAt: now });
      await insertSession(tx, {
        tokenHash: tokenHashOf(token),
        personId: person.id,
        createdAt: now,
        expiresAt: now + SESSION_HOURS[person.kind] * 60 * MINUTE,
      });
      return { token };
    }
    // Read again inside the transaction: guesses sent side by side must all be counted.
    const failedTries = ((await credentialOf(tx, person.id))?.failedTries ?? 0) + 1;
    const locked = failedTries >= MOST_TRIES;
    await setTries(tx, person.id, {
      failedTries: locked ? 0 : failedTries,
      lockedUntil: locked ? now + LOCK_MINUTES * MINUTE : null,
    });
    return { triesLeft: locked ? 0 : MOST_TRIES - failedTries };
  });
  if ("token" in outcome && outcome.token !== undefined) return outcome.token;
  if (outcome.triesLeft === 0) throw new Refusal("locked", words.locked(LOCK_MINUTES));
  throw new Refusal("invalid", words.wrong(outcome.triesLeft ?? 0));
}

export async function personOfToken(runtime: Runtime, token: string): Promise<PersonRow | null> {
  return personOfSession(runtime.db.read, tokenHashOf(token), runtime.now());
}

export async function signOut(runtime: Runtime, token: string): Promise<void> {
  await runtime.db.write((tx) => revokeSession(tx, tokenHashOf(token), runtime.now()));
}
