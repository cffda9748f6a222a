import { createHash } from "node:crypto";

/**
 * The name under which a picture is kept: SHA-256 of its bytes, in hexadecimal digits.
 * @example pictureHash(new Uint8Array()).slice(0, 8) // "e3b0c442"
 */
export const pictureHash = (bytes: Uint8Array): string => createHash("sha256").update(bytes).digest("hex");
