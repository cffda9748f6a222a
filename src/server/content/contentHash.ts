import "server-only";
import { createHash } from "node:crypto";

/** SHA-256 of a value in canonical form: the order of an object's names, and spaces, make no difference. */
export const contentHash = (value: unknown): string =>
  createHash("sha256")
    .update(JSON.stringify(canonical(value)))
    .digest("hex");

function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, own]) => own !== undefined)
      .sort(([x], [y]) => (x < y ? -1 : 1))
      .map(([name, own]) => [name, canonical(own)]),
  );
}
