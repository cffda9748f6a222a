import "server-only";
import { createHash, randomBytes } from "node:crypto";
import { availableParallelism } from "node:os";
import { hash, verify } from "@node-rs/argon2";
import PQueue from "p-queue";
import { PICTURES, PICTURES_IN_PIN } from "@/core/model/pictures";
import { Refusal } from "@/server/runtime/refusal";

/** Argon2id (the package's default) with OWASP's second recommended setting: 19 MiB, two passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** One processor stays free for answers, however many people sign in. */
const queue = new PQueue({ concurrency: Math.max(1, availableParallelism() - 1) });
/** Strangers that wait at most; devices that are known go first and are never turned away. */
const MOST_WAITING = 100;

export const hashSecret = (secret: string): Promise<string> => queue.add(() => hash(secret, COST));

/** Whether a secret is the one that was hashed. Refused in words when very many strangers try at this moment. */
export async function secretFits(
  secretHash: string,
  secret: string,
  { known = false }: { readonly known?: boolean } = {},
): Promise<boolean> {
  if (!known && queue.size > MOST_WAITING)
    throw new Refusal("unavailable", "Very many people are signing in. Wait a few seconds and try again.");
  return queue.add(() => verify(secretHash, secret), { priority: known ? 1 : 0 });
}

let decoy: Promise<string> | undefined;
/** A hash of nobody's secret: looking at it takes as long as at somebody's. */
export function decoyHash(): Promise<string> {
  decoy ??= hashSecret(newToken());
  return decoy;
}

/** A token for a cookie, a card or a link, 256 random bits. */
export const newToken = () => randomBytes(32).toString("base64url");
/** A token short enough for a small printed code, 128 random bits. */
export const newCardToken = () => randomBytes(16).toString("base64url");
export const tokenHashOf = (token: string) => createHash("sha256").update(token).digest("base64url");

/** A new PIN: four digits, or the numbers of four pictures joined by dashes. */
export function newPin(kind: "number" | "picture", random: () => number): string {
  if (kind === "number") return String(Math.floor(random() * 10_000)).padStart(4, "0");
  return Array.from({ length: PICTURES_IN_PIN }, () => Math.floor(random() * PICTURES.length)).join("-");
}
