import { Unzip, type UnzipFile, UnzipInflate } from "fflate";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
import { isZip } from "../table/isWorkbook";

export type ZipReading =
  | { readonly ok: true; readonly files: ReadonlyMap<string, Uint8Array> }
  | { readonly ok: false; readonly why: RosterRemark };

export interface ZipLimits {
  readonly mostFiles: number;
  /** All files together, unpacked. */
  readonly mostBytes: number;
  /** A single file may unpack to this many times its packed size; more is a trick, not a text. */
  readonly mostExpansion: number;
  /** Names keep their folders: needed where two files differ by their folder only. */
  readonly keepFolders?: boolean;
}

/** The unpacker calls itself for every further file within a chunk: more of them than this chunk can hold would be too deep. */
const CHUNK_BYTES = 16 * 1024;
/** Expansion is judged from here on: a few equal lines shrink a lot. */
const JUDGED_FROM_BYTES = 5_000_000;

/**
 * Unpacks a zip within limits, file by file as the bytes go by: what a file says of its own size is not believed, and
 * reading stops at the first byte over a limit. Names with a path out of the package are refused; folders within it are
 * dropped from the name, since some programs pack a folder round the files. Never throws.
 */
export function readZip(bytes: Uint8Array, limits: ZipLimits): ZipReading {
  if (!isZip(bytes)) return refused(remark("not-a-zip"));
  const parts = new Map<string, Uint8Array[]>();
  const unfinished = new Set<string>();
  let total = 0;
  let problem: RosterRemark | null = null;
  const stop = (file: UnzipFile, why: RosterRemark) => {
    problem ??= why;
    file.terminate();
  };
  const unzip = new Unzip((file) => {
    if (problem || file.name.endsWith("/")) return;
    const name = plainName(file.name, limits.keepFolders ?? false);
    if (name === null) return stop(file, remark("zip-leads-out", { name: file.name.slice(0, 60) }));
    if (parts.has(name)) return stop(file, remark("zip-names-twice", { name }));
    if (parts.size >= limits.mostFiles) return stop(file, remark("zip-too-many-files", { most: limits.mostFiles }));
    const chunks: Uint8Array[] = [];
    parts.set(name, chunks);
    unfinished.add(name);
    let own = 0;
    let packed = 0;
    file.ondata = (error, data, final) => {
      if (problem) return;
      if (final) unfinished.delete(name);
      if (error) return stop(file, remark("zip-file-damaged", { name }));
      own += data.length;
      total += data.length;
      packed = Math.max(packed, file.size ?? bytes.length);
      if (total > limits.mostBytes)
        return stop(file, remark("zip-too-large", { megabytes: Math.round(limits.mostBytes / 1_000_000) }));
      if (own > JUDGED_FROM_BYTES && own > packed * limits.mostExpansion)
        return stop(file, remark("zip-grows-too-much", { name }));
      chunks.push(data.slice());
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length && !problem; at += CHUNK_BYTES)
      unzip.push(bytes.subarray(at, at + CHUNK_BYTES), at + CHUNK_BYTES >= bytes.length);
  } catch {
    problem ??= remark("zip-not-whole");
  }
  // A file that was cut off would otherwise be taken for a short one.
  if (unfinished.size > 0) problem ??= remark("zip-not-whole");
  if (problem) return refused(problem);
  if (parts.size === 0) return refused(remark("zip-empty"));
  return { ok: true, files: new Map([...parts].map(([name, chunks]) => [name, joined(chunks)])) };
}

/** The bare name of a file within the package; null for a name that leads out of it. */
function plainName(name: string, keepFolders: boolean): string | null {
  const steps = name.replace(/\\/g, "/").split("/");
  const escapes = name.startsWith("/") || /^[a-z]:/i.test(name) || steps.includes("..") || name.includes("\0");
  if (escapes) return null;
  return keepFolders ? steps.join("/") : (steps.at(-1) ?? null);
}

function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(chunks.reduce((sum, chunk) => sum + chunk.length, 0));
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}

const refused = (why: RosterRemark): ZipReading => ({ ok: false, why });
