import "server-only";
import { toDataURL } from "qrcode";
import { array, boolean, object, string } from "yup";
import { fullName } from "@/core/roster/fullName";
import { revokeSessionsOf } from "@/db/queries/credentials";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import { demand, demandStaff } from "@/server/access/demand";
import { liftLocks, replaceSecrets } from "@/server/access/newSecrets";
import { hashSecret, newCardToken, newPin, tokenHashOf } from "@/server/access/secrets";
import { studentSubject } from "@/server/access/studentSubject";
import { demandClasses, openClasses } from "@/server/access/subjects";
import { fullNames } from "@/server/classroom/names";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import type { SignInSlip } from "../types";

const MOST_STUDENTS = 1_200;
/** Argon2 runs on the package's own threads; more at once than these only queue. */
const HASHES_AT_ONCE = 4;

const input = object({
  studentIds: array(string().required()).min(1, "Choose at least one student.").max(MOST_STUDENTS).required(),
  pin: string()
    .oneOf(["number", "picture"] as const)
    .default("number"),
  /** Also a printed code that signs in by itself. */
  cards: boolean().default(false),
});

/**
 * Gives students new PINs, and printed codes where asked for; lifts their locks and signs them out everywhere. What is new is
 * returned once, for the slips and cards; only hashes are stored.
 */
export async function newSignIns(context: Context, raw: unknown): Promise<SignInSlip[]> {
  const staff = demandStaff(context.actor);
  const { studentIds, pin: pinKind, cards } = validated(input, raw);
  const { runtime } = context;
  const db = runtime.db.read;
  const openIds = (await openClasses(db, staff)).map(({ id }) => id);
  const open = await studentsOfClasses(db, openIds, await todayOf(runtime, staff.schoolId));
  const byId = new Map(open.map((student) => [student.person.id, student]));
  const made = new Map<string, { hash: string; slip: SignInSlip; cardToken: string | null }>();
  const names = fullNames(open.map(({ person }) => person));
  const classes = new Map(
    (await classesById(db, [...new Set(open.map(({ classId }) => classId))])).map((row) => [row.id, row]),
  );
  for (const id of new Set(studentIds)) {
    const found = byId.get(id);
    // Whoever is in no class open to the asker may be in a group of theirs: the policy decides.
    const { person, subject } = found
      ? {
          person: found.person,
          subject: {
            kind: "student" as const,
            personId: id,
            schoolId: found.person.schoolId,
            classIds: [found.classId],
            groupIds: [],
          },
        }
      : await studentSubject(runtime, id);
    demand(staff, "reset-sign-in", subject);
    const own = found ? classes.get(found.classId) : undefined;
    const pin = newPin(pinKind, runtime.random);
    const cardToken = cards ? newCardToken() : null;
    const cardAddress = cardToken === null ? null : `${runtime.publicAddress}/card#${cardToken}`;
    const slip = {
      studentId: id,
      name: names.get(id) ?? fullName(person),
      className: own?.name ?? "",
      code: own?.code ?? "",
      pin,
      pinKind,
      card: null,
      cardAddress,
    };
    made.set(id, { hash: "", slip, cardToken });
  }
  await inPieces([...made], HASHES_AT_ONCE, async ([id, entry]) => {
    const { cardAddress } = entry.slip;
    const card = cardAddress === null ? null : await toDataURL(cardAddress, { margin: 0, errorCorrectionLevel: "M" });
    made.set(id, { ...entry, hash: await hashSecret(entry.slip.pin), slip: { ...entry.slip, card } });
  });
  await runtime.db.write(async (tx) => {
    const secrets = [...made].map(([personId, { hash, cardToken }]) => ({
      personId,
      secretHash: hash,
      kind: pinKind,
      cardHash: cardToken === null ? null : tokenHashOf(cardToken),
    }));
    await replaceSecrets(tx, secrets, runtime.now());
    await note(
      context,
      tx,
      [...made.values()].map(({ slip }) => slip),
      cards,
      byId,
    );
  });
  return [...made.values()].map(({ slip }) => slip);
}

async function inPieces<T>(all: readonly T[], size: number, each: (one: T) => Promise<void>): Promise<void> {
  for (let at = 0; at < all.length; at += size) await Promise.all(all.slice(at, at + size).map(each));
}

async function note(
  context: Context,
  tx: Queryable,
  slips: readonly SignInSlip[],
  cards: boolean,
  byId: ReadonlyMap<string, { readonly classId: string }>,
): Promise<void> {
  const groups = new Map<string | null, SignInSlip[]>();
  for (const slip of slips) {
    const classId = byId.get(slip.studentId)?.classId ?? null;
    groups.set(classId, [...(groups.get(classId) ?? []), slip]);
  }
  for (const [classId, ofClass] of groups) {
    const [first, ...others] = ofClass;
    const personId = first && others.length === 0 ? first.studentId : null;
    await recordChange(tx, context, {
      kind: "sign-ins-made",
      facts: { personId, students: ofClass.length, cards },
      classId,
      subjectIds: ofClass.map(({ studentId }) => studentId),
      rows: [],
    });
  }
}

const someStudents = object({
  studentIds: array(string().required()).min(1, "Choose at least one student.").max(MOST_STUDENTS).required(),
});

/** Lets students who were locked out try again at once, with the same PIN. */
export async function unlockStudents(context: Context, raw: unknown): Promise<void> {
  const { studentIds } = validated(someStudents, raw);
  const found: { readonly id: string; readonly classId: string | null }[] = [];
  for (const id of new Set(studentIds)) {
    const { subject, classes } = await studentSubject(context.runtime, id);
    demand(context.actor, "reset-sign-in", subject);
    found.push({ id, classId: classes[0]?.id ?? null });
  }
  await context.runtime.db.write(async (tx) => {
    await liftLocks(
      tx,
      found.map(({ id }) => id),
    );
    for (const classId of new Set(found.map((student) => student.classId))) {
      const personIds = found.filter((student) => student.classId === classId).map(({ id }) => id);
      await recordChange(tx, context, {
        kind: "waits-lifted",
        facts: { personIds },
        classId,
        rows: [],
      });
    }
  });
}

/** Ends every session of a class's students; returns how many there were. */
export async function signOutClass(context: Context, raw: unknown): Promise<{ ended: number }> {
  const { classId } = validated(object({ classId: string().required() }), raw);
  await demandClasses(context, "reset-sign-in", [classId]);
  const today = await todayOf(context.runtime, context.actor.schoolId);
  return context.runtime.db.write(async (tx) => {
    const students = await studentsOfClasses(tx, [classId], today);
    if (students.length === 0) throw new Refusal("invalid", "There are no students in this class.");
    const ended = await revokeSessionsOf(
      tx,
      students.map(({ person }) => person.id),
      context.runtime.now(),
    );
    await recordChange(tx, context, {
      kind: "class-signed-out",
      facts: { devices: ended },
      classId,
      rows: [],
    });
    return { ended };
  });
}
