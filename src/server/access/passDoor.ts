import "server-only";
import {
  type CredentialRow,
  credentialOf,
  type SessionRow,
  updateCredential,
  useTotpStep,
} from "@/db/queries/credentials";
import { isKnownDevice, rememberDevice } from "@/db/queries/knownDevices";
import type { PersonRow } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import { recordSignIn } from "@/server/history/recordChange";
import { log } from "@/server/runtime/log";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { doorsFor, personKey } from "./doorKeys";
import { giveBack, type Reserved, reserveTry } from "./doors";
import { decoyHash, secretFits, tokenHashOf } from "./secrets";
import { openSession } from "./sessions";
import { totpStep } from "./totp";
import { waitWords } from "./waitWords";

/** Where a try comes from. */
export interface Doorstep {
  /** The browser's own mark. */
  readonly deviceId: string;
  /** The network address. */
  readonly address: string;
  /** How the device calls itself. */
  readonly device: string;
  /** The token of whoever was signed in there before; "" for nobody. */
  readonly formerToken?: string;
}

export interface DoorWords {
  readonly wrong: string;
  readonly wait: (time: string) => string;
}

interface Try {
  /** Whose door: see `doorKeys`. */
  readonly owner: string;
  /** Who may be meant: one student, or the staff with one address. */
  readonly candidates: readonly PersonRow[];
  readonly secret: string;
  readonly code?: string | undefined;
  readonly by: SessionRow["by"];
}

/** Devices that are remembered for each person. */
const DEVICES_KEPT = 8;
/** Passwords that are looked at for each try at least: an address of two people, or of nobody, takes as long as any. */
const LEAST_PASSWORDS = 2;
/** How long the teacher is shown at least that somebody has to wait. */
const SHOWN_MILLISECONDS = 10 * 60_000;

/**
 * Lets somebody in who knows the secret: counted as wrong before it is looked at, given back when it was right. Returns the
 * session's token, or "code" when the secret is right and the second step is still to come.
 */
export async function passDoor(
  runtime: Runtime,
  asked: Try,
  from: Doorstep,
  words: DoorWords,
): Promise<{ readonly token: string } | "code"> {
  const deviceHash = tokenHashOf(from.deviceId);
  const ids = asked.candidates.map(({ id }) => id);
  const known = await isKnownDevice(runtime.db.read, ids, deviceHash);
  const doors = doorsFor(asked.owner, { deviceHash, address: from.address, known });
  const reserved = await demandTry(runtime, doors, words.wait);
  const found = await whoseSecret(runtime, asked, known);
  if (!found) {
    if (reserved.free > 0) throw new Refusal("invalid", words.wrong);
    await noteWait(runtime, asked, reserved.waitNext);
    const wait = words.wait(waitWords(reserved.waitNext));
    throw new Refusal("locked", `${words.wrong} ${wait}`, seconds(reserved.waitNext));
  }
  const second = await secondStep(runtime, found.credential, asked.code);
  if (second === "needed") {
    await runtime.db.write((tx) => giveBack(tx, reserved));
    return "code";
  }
  return runtime.db.write(async (tx) => {
    const { person } = found;
    const latest = await credentialOf(tx, person.id);
    if (latest?.secretHash !== found.credential.secretHash) throw new Refusal("invalid", words.wrong);
    if (second && !(await useTotpStep(tx, person.id, second.step))) throw usedCode();
    await giveBack(tx, reserved);
    if (second) await giveBack(tx, second.reserved);
    return { token: await enter(runtime, tx, person, asked.by, from) };
  });
}

/** What everybody who comes in leaves behind: a session, a known device, an entry of the history. */
export async function enter(
  runtime: Runtime,
  tx: Queryable,
  person: PersonRow,
  by: SessionRow["by"],
  from: Doorstep,
): Promise<string> {
  const now = runtime.now();
  await updateCredential(tx, person.id, { lastSignInAt: now });
  const deviceHash = tokenHashOf(from.deviceId);
  await rememberDevice(tx, { personId: person.id, deviceHash, lastAt: now }, DEVICES_KEPT);
  await recordSignIn(tx, runtime, person, { kind: "signed-in", by, device: from.device });
  return openSession(tx, runtime, person, { by, device: from.device, formerToken: from.formerToken ?? "" });
}

const seconds = (milliseconds: number) => Math.ceil(milliseconds / 1000);

/** Reserves a try at the doors; a refusal that says how long to wait where one is shut. */
export async function demandTry(
  runtime: Runtime,
  doors: Parameters<typeof reserveTry>[1],
  words: (time: string) => string,
): Promise<Reserved> {
  const answer = await runtime.db.write((tx) => reserveTry(tx, doors, runtime.now()));
  if ("wait" in answer) throw new Refusal("locked", words(waitWords(answer.wait)), seconds(answer.wait));
  return answer;
}

async function whoseSecret(runtime: Runtime, { candidates, secret, by }: Try, known: boolean) {
  const able: { person: PersonRow; credential: CredentialRow }[] = [];
  for (const person of candidates) {
    const credential = await credentialOf(runtime.db.read, person.id);
    if (credential) able.push({ person, credential });
  }
  const missing = by === "password" ? Math.max(0, LEAST_PASSWORDS - able.length) : 0;
  const decoys = Array.from({ length: missing }, decoyHash);
  const hashes = [...able.map(({ credential }) => credential.secretHash), ...(await Promise.all(decoys))];
  const fits = await Promise.all(hashes.map((hash) => secretFits(hash, secret, { known })));
  // Somebody may work at two schools under one address: the password says at which of them the desk is to open.
  return able.find((_, place) => fits[place]) ?? null;
}

const usedCode = () => new Refusal("invalid", "That code is not right, or was used already. Wait for the next one.");

/** The time step of a right code; null where no second step is set up. */
async function secondStep(
  runtime: Runtime,
  { personId, totpSecret, totpConfirmedAt, totpLastStep }: CredentialRow,
  code: string | undefined,
): Promise<{ readonly step: number; readonly reserved: Reserved } | null | "needed"> {
  if (totpConfirmedAt === null || totpSecret === null) return null;
  if (!code) return "needed";
  const door = { kind: "second-step" as const, key: personKey(personId) };
  const reserved = await demandTry(runtime, [door], (time) => `Too many wrong codes. Try again in ${time}.`);
  const step = totpStep(totpSecret, code, runtime.now(), totpLastStep);
  if (step === null) throw usedCode();
  return { step, reserved };
}

/** Shows the teacher that somebody has to wait. Not waited for: it would take longer for known addresses than for others. */
async function noteWait(runtime: Runtime, { candidates, by }: Try, wait: number): Promise<void> {
  const shown = runtime.now() + Math.max(wait, SHOWN_MILLISECONDS);
  const noting = runtime.db.write(async (tx) => {
    for (const person of candidates) {
      const credential = await credentialOf(tx, person.id);
      if (!credential) continue;
      await updateCredential(tx, person.id, { lockedUntil: shown });
      if (credential.lockedUntil !== null && credential.lockedUntil > runtime.now()) continue;
      await recordSignIn(tx, runtime, person, { kind: "must-wait", by });
    }
  });
  noting.catch((error: unknown) => log("error", "a wait could not be noted", { error }));
}
