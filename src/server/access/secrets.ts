import "server-only";
import { createHash, randomBytes } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import { PICTURES, PICTURES_IN_PIN } from "@/core/model/pictures";

/** Argon2id (the package's default) with OWASP's second recommended setting: 19 MiB, two passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashSecret = (secret: string) => hash(secret, COST);
export const secretFits = (secretHash: string, secret: string) => verify(secretHash, secret);

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
