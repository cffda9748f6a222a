import { imageSize } from "image-size";
import { readXml } from "../qti/xml/readXml";
import type { Xml } from "../qti/xml/xml";
import { isXml } from "../qti/xml/xml";

export const PICTURE_TYPES = {
  png: "image/png",
  jpg: "image/jpeg",
  gif: "image/gif",
  webp: "image/webp",
  svg: "image/svg+xml",
} as const;
type Format = keyof typeof PICTURE_TYPES;
export type PictureType = (typeof PICTURE_TYPES)[Format];

export type PictureProblem =
  /** Of none of the kinds that browsers show, or cut off. */
  | "no-picture"
  | "too-many-bytes"
  | "too-many-pixels"
  /** A drawing with a script, with another document inside, or with anything that is fetched from elsewhere. */
  | "not-only-drawn";

export type PictureReading =
  | { readonly ok: true; readonly type: PictureType; readonly width: number; readonly height: number }
  | { readonly ok: false; readonly why: PictureProblem };

/** Bytes of a picture: what a class loads at once over a school's line. */
export const MOST_PICTURE_BYTES = 2_000_000;
const MOST_PIXELS = 6_000;
const RUNS_OR_HOLDS = new Set([
  "script",
  "foreignobject",
  "iframe",
  "embed",
  "object",
  "audio",
  "video",
  "set",
  "handler",
]);

/**
 * What kind of picture some bytes are, by what stands in them and not by their name, and how large it is drawn, in pixels. A drawing (SVG) is
 * taken only when nothing in it runs or leads elsewhere. Never throws.
 * @example readPicture(new Uint8Array()) // { ok: false, why: "no-picture" }
 */
export function readPicture(bytes: Uint8Array): PictureReading {
  if (bytes.length > MOST_PICTURE_BYTES) return { ok: false, why: "too-many-bytes" };
  const found = sizeOf(bytes);
  if (!found) return { ok: false, why: "no-picture" };
  if (found.format === "svg" && !isOnlyDrawn(bytes)) return { ok: false, why: "not-only-drawn" };
  if (Math.max(found.width, found.height) > MOST_PIXELS) return { ok: false, why: "too-many-pixels" };
  return { ok: true, type: PICTURE_TYPES[found.format], width: found.width, height: found.height };
}

/**
 * The ending of a picture's file.
 * @example endingOf("image/jpeg") // "jpg"
 */
export const endingOf = (type: string): string =>
  Object.entries(PICTURE_TYPES).find(([, known]) => known === type)?.[0] ?? "bin";

function sizeOf(
  bytes: Uint8Array,
): { readonly format: Format; readonly width: number; readonly height: number } | null {
  try {
    const { type = "", width, height } = imageSize(bytes);
    const format = (Object.keys(PICTURE_TYPES) as Format[]).find((known) => known === type);
    return format && width > 0 && height > 0 ? { format, width: Math.round(width), height: Math.round(height) } : null;
  } catch {
    // The package throws for what it does not know, and for what ends too early.
    return null;
  }
}

function isOnlyDrawn(bytes: Uint8Array): boolean {
  const document = readXml(bytes);
  return document.ok && isDrawing(document.root);
}

function isDrawing({ name, attributes, children }: Xml): boolean {
  const bare = name.split(":").at(-1)?.toLowerCase() ?? "";
  if (RUNS_OR_HOLDS.has(bare)) return false;
  const isHarmless = Object.entries(attributes).every(([key, value]) => {
    const own = key.split(":").at(-1)?.toLowerCase() ?? "";
    if (own.startsWith("on")) return false;
    if (own === "href" || own === "src") return value.trim().startsWith("#");
    return !leadsElsewhere(value);
  });
  return (
    isHarmless &&
    children.every((child) => (isXml(child) ? isDrawing(child) : bare !== "style" || !leadsElsewhere(child)))
  );
}

/** A style may paint by another part of the same drawing, and by nothing else. */
const leadsElsewhere = (style: string): boolean =>
  /@import|url\(\s*["']?\s*(?!#)|javascript:|expression\(/i.test(style);
