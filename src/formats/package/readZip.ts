import { Unzip, type UnzipFile, UnzipInflate } from "fflate";

export type ZipReading =
  | { readonly ok: true; readonly files: ReadonlyMap<string, Uint8Array> }
  | { readonly ok: false; readonly message: string };

export interface ZipLimits {
  readonly mostFiles: number;
  /** All files together, unpacked. */
  readonly mostBytes: number;
  /** A single file may unpack to this many times its packed size; more is a trick, not a text. */
  readonly mostExpansion: number;
  /** Names keep their folders: needed where two files differ by their folder only. */
  readonly keepFolders?: boolean;
}

const CHUNK_BYTES = 256 * 1024;
/** Expansion is judged from here on: a few equal lines shrink a lot. */
const JUDGED_FROM_BYTES = 5_000_000;

/**
 * Unpacks a zip within limits, file by file as the bytes go by: what a file says of its own size is not believed, and
 * reading stops at the first byte over a limit. Names with a path out of the package are refused; folders within it are
 * dropped from the name, since some programs pack a folder round the files. Never throws.
 */
export function readZip(bytes: Uint8Array, limits: ZipLimits): ZipReading {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b)
    return refused("This is not a zip file. Choose the package as it was exported.");
  const parts = new Map<string, Uint8Array[]>();
  const unfinished = new Set<string>();
  let total = 0;
  let problem: string | null = null;
  const stop = (file: UnzipFile, why: string) => {
    problem ??= why;
    file.terminate();
  };
  const unzip = new Unzip((file) => {
    if (problem || file.name.endsWith("/")) return;
    const name = plainName(file.name, limits.keepFolders ?? false);
    if (name === null)
      return stop(
        file,
        `The package holds a file with a path that leads out of it (${file.name.slice(0, 60)}). It was not read.`,
      );
    if (parts.has(name)) return stop(file, `The package holds two files named ${name}. Keep one of them.`);
    if (parts.size >= limits.mostFiles)
      return stop(file, `The package holds more than ${limits.mostFiles} files. Is it the right one?`);
    const chunks: Uint8Array[] = [];
    parts.set(name, chunks);
    unfinished.add(name);
    let own = 0;
    let packed = 0;
    file.ondata = (error, data, final) => {
      if (problem) return;
      if (final) unfinished.delete(name);
      if (error) return stop(file, `${name} in the package is damaged. Export the package again.`);
      own += data.length;
      total += data.length;
      packed = Math.max(packed, file.size ?? bytes.length);
      if (total > limits.mostBytes)
        return stop(
          file,
          `The package unpacks to more than ${Math.round(limits.mostBytes / 1_000_000)} MB. It was not read.`,
        );
      if (own > JUDGED_FROM_BYTES && own > packed * limits.mostExpansion)
        return stop(file, `${name} unpacks to far more than a list can. It was not read.`);
      chunks.push(data.slice());
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length && !problem; at += CHUNK_BYTES)
      unzip.push(bytes.subarray(at, at + CHUNK_BYTES), at + CHUNK_BYTES >= bytes.length);
  } catch {
    problem ??= "The zip file is damaged or not whole. Export the package again.";
  }
  // A file that was cut off would otherwise be taken for a short one.
  if (unfinished.size > 0) problem ??= "The zip file is not whole. Export or copy the package again.";
  if (problem) return refused(problem);
  if (parts.size === 0) return refused("The zip file is empty, or not whole. Export the package again.");
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

function refused(message: string): ZipReading {
  return { ok: false, message };
}
