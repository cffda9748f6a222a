import "server-only";
import { createHash, randomBytes } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";

/** Argon2id (the package's default) with OWASP's second recommended setting: 19 MiB, two passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashSecret = (secret: string) => hash(secret, COST);
export const secretFits = (secretHash: string, secret: string) => verify(secretHash, secret);

/** A session token for the cookie, 256 random bits. */
export const newToken = () => randomBytes(32).toString("base64url");
export const tokenHashOf = (token: string) => createHash("sha256").update(token).digest("base64url");
