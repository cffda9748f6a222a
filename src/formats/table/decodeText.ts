import { type RosterRemark, remark } from "@/core/roster/rosterRemark";

/**
 * The text of a file in UTF-8 (with or without mark), UTF-16 or, with a note, Windows-1252; null for what is no text.
 */
export function decodeText(bytes: Uint8Array): { text: string; notes: RosterRemark[] } | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { text: new TextDecoder("utf-16le").decode(bytes), notes: [] };
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { text: new TextDecoder("utf-16be").decode(bytes), notes: [] };
  if (bytes.includes(0)) return null;
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), notes: [] };
  } catch {
    const controls = bytes.filter((byte) => byte < 32 && byte !== 9 && byte !== 10 && byte !== 13).length;
    if (controls > 0) return null;
    return { text: new TextDecoder("windows-1252").decode(bytes), notes: [remark("not-utf-8")] };
  }
}
