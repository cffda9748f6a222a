import "server-only";
import { namesApart } from "@/core/roster/namesApart";
import {
  type CredentialRow,
  credentialOf,
  personByCard,
  type SessionRow,
  updateCredential,
} from "@/db/queries/credentials";
import { classByCode, type PersonRow, staffByEmail, studentsOfClasses } from "@/db/queries/people";
import { person as placeOf, recordEvent } from "@/server/runtime/history";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { todayOf } from "@/server/runtime/school";
import { hashSecret, secretFits, tokenHashOf } from "./secrets";
import { openSession } from "./sessions";
import { countTry, demandOpen } from "./throttle";
import { totpStep } from "./totp";

const MINUTE = 60_000;
const LOCK_SHOWN_MINUTES = 10;

/** Where a try comes from: the browser's own mark, the network address, and how the device calls itself. */
export interface Doorstep {
  readonly deviceId: string;
  readonly address: string;
  readonly device: string;
}

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
export async function openClassDoor(runtime: Runtime, code: string, from: Doorstep): Promise<ClassDoor> {
  const found = await findClass(runtime, code, from);
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

async function findClass(runtime: Runtime, code: string, { address }: Doorstep) {
  const now = runtime.now();
  const words = (minutes: number) => `Too many wrong codes from here. Wait ${minutes} min, or ask your teacher.`;
  await demandOpen(runtime.db.read, "address-code", address, now, words);
  const found = await classByCode(runtime.db.read, code.trim().toUpperCase());
  if (found) return found;
  await runtime.db.write((tx) => countTry(tx, "address-code", address, now));
  throw new Refusal("not-found", "No class has this code. Check the card, or ask your teacher.");
}

/** Signs a student in by class code, name and PIN; returns the token for the cookie. */
export async function signInStudent(
  runtime: Runtime,
  input: { readonly code: string; readonly studentId: string; readonly pin: string },
  from: Doorstep,
): Promise<string> {
  const found = await findClass(runtime, input.code, from);
  const student = (await enrolledNow(runtime, found)).find(({ person }) => person.id === input.studentId);
  if (!student) throw new Refusal("not-found", "This name is not in the class. Start again with the class code.");
  const token = await signIn(runtime, student.person, input.pin, undefined, "pin", from, {
    none: "You have no PIN yet. Your teacher can make one for you.",
    wrong: (left) => `That PIN is not right. ${left} ${left === 1 ? "try" : "tries"} left.`,
    locked: (minutes) => `Too many tries here. Wait ${minutes} min, or ask your teacher for a new PIN.`,
  });
  if (token === null) throw new Refusal("not-allowed", "Students sign in without a second step.");
  return token;
}

/** Signs a student in by the token in the printed code of a card. */
export async function signInByCard(runtime: Runtime, cardToken: string, from: Doorstep): Promise<string> {
  const now = runtime.now();
  const words = (minutes: number) => `Too many cards that do not work. Wait ${minutes} min, or ask your teacher.`;
  await demandOpen(runtime.db.read, "address-code", from.address, now, words);
  const found = await personByCard(runtime.db.read, tokenHashOf(cardToken));
  if (!found || found.person.archivedAt !== null) {
    await runtime.db.write((tx) => countTry(tx, "address-code", from.address, now));
    throw new Refusal("not-found", "This card does not work any more. Your teacher can print a new one.");
  }
  const { person } = found;
  return runtime.db.write(async (tx) => {
    await updateCredential(tx, person.id, { lastSignInAt: now });
    await recordSignIn(runtime, tx, person, "card", from);
    return openSession(tx, runtime, person, { by: "card", device: from.device });
  });
}

/**
 * Signs a member of staff in by email and password, and by a code where a second step is set up: without it, the answer is
 * "code" and nothing is opened.
 */
export async function signInStaff(
  runtime: Runtime,
  input: { readonly email: string; readonly password: string; readonly code?: string | undefined },
  from: Doorstep,
): Promise<{ readonly token: string } | "code"> {
  const staff = await staffByEmail(runtime.db.read, input.email.trim().toLowerCase());
  if (staff.length === 0) {
    // Hashing all the same keeps unknown addresses from answering faster than known ones.
    await hashSecret(input.password);
    throw new Refusal("not-found", "Email or password is not right.");
  }
  // Somebody may work at two schools under one address: the password says at which of them the desk is to open.
  let refusal: unknown;
  for (const person of staff) {
    try {
      const token = await signIn(runtime, person, input.password, input.code, "password", from, STAFF_WORDS);
      return token === null ? "code" : { token };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      refusal ??= error;
    }
  }
  throw refusal;
}

interface SignInWords {
  readonly none: string;
  readonly wrong: (triesLeft: number) => string;
  readonly locked: (minutes: number) => string;
}

const STAFF_WORDS: SignInWords = {
  none: "Email or password is not right.",
  wrong: () => "Email or password is not right.",
  locked: (minutes) => `Too many tries. Wait ${minutes} min and try again, or ask for a new password.`,
};

/** Checks the secret behind the throttles; returns the session's token, or null when the code of a second step is needed. */
async function signIn(
  runtime: Runtime,
  person: PersonRow,
  secret: string,
  code: string | undefined,
  by: SessionRow["by"],
  from: Doorstep,
  words: SignInWords,
): Promise<string | null> {
  const now = runtime.now();
  const db = runtime.db.read;
  const own = `${person.id}|${from.deviceId || from.address}`;
  const credential = await credentialOf(db, person.id);
  if (!credential) throw new Refusal("not-found", words.none);
  await demandOpen(db, "device-person", own, now, words.locked);
  await demandOpen(db, "person", person.id, now, words.locked);
  if (!(await secretFits(credential.secretHash, secret))) {
    const left = await runtime.db.write((tx) => wrongTry(runtime, tx, person, own, by));
    if (left === 0) throw new Refusal("locked", words.locked(LOCK_SHOWN_MINUTES));
    throw new Refusal("invalid", words.wrong(left));
  }
  const step = await checkSecondStep(runtime, person, credential, code);
  if (step === "needed") return null;
  return runtime.db.write(async (tx) => {
    await updateCredential(tx, person.id, {
      lastSignInAt: now,
      ...(step === null ? {} : { totpLastStep: step }),
    });
    await recordSignIn(runtime, tx, person, by, from);
    return openSession(tx, runtime, person, { by, device: from.device });
  });
}

type Transaction = Parameters<typeof updateCredential>[0];

async function wrongTry(runtime: Runtime, tx: Transaction, person: PersonRow, own: string, by: SessionRow["by"]) {
  const now = runtime.now();
  const left = Math.min(await countTry(tx, "device-person", own, now), await countTry(tx, "person", person.id, now));
  if (left > 0) return left;
  await updateCredential(tx, person.id, { lockedUntil: now + LOCK_SHOWN_MINUTES * MINUTE });
  await recordEvent(tx, runtime, {
    area: "sign-in",
    kind: "locked-out",
    summary: `Too many wrong tries with the ${by} of ${placeOf(person.id)}: that device is stopped for a while`,
    classId: null,
    schoolId: person.schoolId,
    actorId: null,
  });
  return 0;
}

async function recordSignIn(
  runtime: Runtime,
  tx: Transaction,
  person: PersonRow,
  by: SessionRow["by"],
  from: Doorstep,
) {
  await recordEvent(tx, runtime, {
    area: "sign-in",
    kind: "signed-in",
    summary: `${placeOf(person.id)} signed in by ${by}${from.device ? ` on ${from.device}` : ""}`,
    classId: null,
    schoolId: person.schoolId,
    actorId: person.id,
  });
}

/** The time step of a right code; null where no second step is set up. */
async function checkSecondStep(
  runtime: Runtime,
  person: PersonRow,
  { totpSecret, totpConfirmedAt, totpLastStep }: CredentialRow,
  code: string | undefined,
): Promise<number | null | "needed"> {
  if (totpConfirmedAt === null || totpSecret === null) return null;
  if (!code) return "needed";
  const now = runtime.now();
  const words = (minutes: number) => `Too many wrong codes. Wait ${minutes} min and try again.`;
  await demandOpen(runtime.db.read, "second-step", person.id, now, words);
  const step = totpStep(totpSecret, code, now, totpLastStep);
  if (step !== null) return step;
  await runtime.db.write((tx) => countTry(tx, "second-step", person.id, now));
  throw new Refusal("invalid", "That code is not right, or was used already. Wait for the next one.");
}
