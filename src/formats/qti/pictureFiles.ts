import { pictureHash } from "../picture/pictureHash";
import { endingOf, readPicture } from "../picture/readPicture";

/** A picture that belongs to items of a package. */
export interface PackagePicture {
  readonly hash: string;
  readonly bytes: Uint8Array;
}

/** All pictures of one package together; what comes beyond it is left out. */
const MOST_BYTES = 60_000_000;

/** Gives the name of the picture in a file, and keeps it; null for a file that is not there, or is none that can be shown. */
export interface PictureReader {
  readonly hashOf: (path: string) => string | null;
  readonly kept: () => readonly PackagePicture[];
  readonly paths: () => readonly string[];
}

/** Reads the pictures of a package, each once however many items show it. */
export function pictureReader(fileAt: (path: string) => Uint8Array | undefined): PictureReader {
  const known = new Map<string, string | null>();
  const kept = new Map<string, PackagePicture>();
  let total = 0;
  const read = (path: string): string | null => {
    const bytes = fileAt(path);
    if (!bytes || !readPicture(bytes).ok) return null;
    const hash = pictureHash(bytes);
    if (kept.has(hash)) return hash;
    if (total + bytes.length > MOST_BYTES) return null;
    total += bytes.length;
    kept.set(hash, { hash, bytes });
    return hash;
  };
  return {
    hashOf: (path) => {
      if (!known.has(path)) known.set(path, read(path));
      return known.get(path) ?? null;
    },
    kept: () => [...kept.values()],
    paths: () => [...known].flatMap(([path, hash]) => (hash === null ? [] : [path])),
  };
}

/**
 * Where a picture stands in a package.
 * @example picturePath("ab12", "image/png") // "pictures/ab12.png"
 */
export const picturePath = (hash: string, type: string): string => `pictures/${hash}.${endingOf(type)}`;
