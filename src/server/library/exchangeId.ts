import "server-only";
import { createHash } from "node:crypto";

/** An identifier for what came without one, always the same for the same thing (RFC 9562, version 8). */
export function exchangeId(name: string): string {
  const hex = createHash("sha256").update(`oxbow ${name}`).digest("hex");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
