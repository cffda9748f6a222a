import { sha256 } from "@noble/hashes/sha2";
import { bytesToHex } from "@noble/hashes/utils";

/**
 * The name under which a picture is kept: SHA-256 of its bytes, in hexadecimal digits.
 * @example pictureHash(new Uint8Array()).slice(0, 8) // "e3b0c442"
 */
export const pictureHash = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));
