import "server-only";
import { Secret, TOTP } from "otpauth";

const STEP_SECONDS = 30;

const totpOf = (secret: string, label: string) =>
  new TOTP({
    issuer: "Oxbow",
    label,
    algorithm: "SHA1",
    digits: 6,
    period: STEP_SECONDS,
    secret: Secret.fromBase32(secret),
  });

export const newTotpSecret = () => new Secret({ size: 20 }).base32;

/** The address that an authenticator app reads from a printed or shown code (RFC 6238 parameters inside). */
export const totpAddress = (secret: string, label: string) => totpOf(secret, label).toString();

/** The code of an instant; for tests and for the stand-in that plays the teacher's phone. */
export const totpCode = (secret: string, at: number) => totpOf(secret, "").generate({ timestamp: at });

/** The time step that a code belongs to, one step early or late allowed; null when it fits none or was used already. */
export function totpStep(secret: string, code: string, at: number, lastStep: number | null): number | null {
  const delta = totpOf(secret, "").validate({ token: code, timestamp: at, window: 1 });
  if (delta === null) return null;
  const step = Math.floor(at / 1000 / STEP_SECONDS) + delta;
  return lastStep !== null && step <= lastStep ? null : step;
}
