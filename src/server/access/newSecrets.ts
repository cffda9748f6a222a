import "server-only";
import { dictionary } from "@zxcvbn-ts/language-common";
import {
  type CredentialRow,
  type NewSecret,
  revokeSessionsOf,
  setSecret,
  setSecrets,
  unlock,
} from "@/db/queries/credentials";
import { forgetDevicesOf } from "@/db/queries/knownDevices";
import { peopleById } from "@/db/queries/people";
import { forgetTriesOf } from "@/db/queries/throttles";
import type { Queryable } from "@/db/queryable";
import { Refusal } from "@/server/runtime/refusal";
import { doorsOf } from "./doorKeys";

/** Gives a person a new secret: every wait is lifted, every session ends, no device is known any more. */
export async function replaceSecret(
  tx: Queryable,
  personId: string,
  secret: { readonly hash: string; readonly kind: CredentialRow["kind"] },
  now: number,
): Promise<void> {
  await setSecret(tx, personId, secret.hash, secret.kind);
  await liftLocks(tx, [personId]);
  await forgetDevicesOf(tx, [personId]);
  await revokeSessionsOf(tx, [personId], now);
}

/** The same for many at once, each with a card or none: a card that was printed before may be lost, and stops working. */
export async function replaceSecrets(tx: Queryable, secrets: readonly NewSecret[], now: number): Promise<void> {
  const ids = secrets.map(({ personId }) => personId);
  await setSecrets(tx, secrets);
  await liftLocks(tx, ids);
  await forgetDevicesOf(tx, ids);
  await revokeSessionsOf(tx, ids, now);
}

/** Lets people try again at once, from every device. */
export async function liftLocks(tx: Queryable, personIds: readonly string[]): Promise<void> {
  const people = await peopleById(tx, personIds);
  await forgetTriesOf(tx, people.flatMap(doorsOf));
  await unlock(tx, personIds);
}

const LEAST_LETTERS = 12;
/** Passwords that leaked so often that everybody who guesses begins with them. */
const COMMON: ReadonlySet<string> = new Set(
  dictionary["passwords-common"].filter((text) => text.length >= LEAST_LETTERS),
);

/** Refuses passwords that are too short or too easy to guess for somebody who knows the person. */
export function demandGoodPassword(
  password: string,
  person: { readonly givenName: string; readonly familyName: string; readonly email: string | null },
): void {
  if (password.length < LEAST_LETTERS)
    throw new Refusal("invalid", `A password has at least ${LEAST_LETTERS} letters. A short sentence is easy to keep.`);
  if (COMMON.has(password.toLowerCase()))
    throw new Refusal("invalid", "Many people use this password, so it is tried first. Choose another one.");
  const bare = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, "");
  const known = [person.givenName, person.familyName, person.email?.split("@")[0] ?? ""].map(bare);
  const rest = known
    .filter((word) => word.length > 2)
    .reduce((text, word) => text.replaceAll(word, ""), bare(password));
  if (rest.length < LEAST_LETTERS / 2 || new Set(rest).size < 4)
    throw new Refusal("invalid", "This password is easy to guess. Choose one without your name and with more letters.");
}
