import "server-only";
import type { ItemBody } from "@/core/items/itemBody";
import { keepPicture, picturesKnown } from "@/db/queries/pictures";
import type { Queryable } from "@/db/queryable";
import { pictureHash } from "@/formats/picture/pictureHash";
import { type PictureProblem, readPicture } from "@/formats/picture/readPicture";
import { Refusal } from "@/server/runtime/refusal";

const PROBLEMS: Readonly<Record<PictureProblem, string>> = {
  "no-picture": "This is no picture that browsers show. Use a PNG, JPEG, WebP, GIF or SVG file.",
  "too-many-bytes": "The picture is larger than 2 MB. Make it smaller, for example 1200 pixels wide, and try again.",
  "too-many-pixels": "The picture is more than 6000 pixels wide or high. Make it smaller and try again.",
  "not-only-drawn":
    "This drawing holds a script or fetches something from elsewhere. Save it as a plain picture and try again.",
};

/** Keeps a picture and returns its name; bytes that are none, or too many, are refused in words. */
export async function takePicture(
  tx: Queryable,
  bytes: Uint8Array,
  by: { readonly addedBy: string | null; readonly addedAt: number },
): Promise<{ readonly hash: string; readonly width: number; readonly height: number }> {
  const found = readPicture(bytes);
  if (!found.ok) throw new Refusal("invalid", PROBLEMS[found.why]);
  const { type, width, height } = found;
  const hash = pictureHash(bytes);
  await keepPicture(tx, { hash, type, bytes: Buffer.from(bytes), width, height, ...by });
  return { hash, width, height };
}

/** Refuses a body that shows a picture which is not kept here. */
export async function demandPictures(db: Queryable, { images = [] }: Pick<ItemBody, "images">): Promise<void> {
  const wanted = [...new Set(images.map(({ picture }) => picture))];
  if ((await picturesKnown(db, wanted)).length < wanted.length)
    throw new Refusal("not-found", "One of the pictures is not in the library any more. Add it again.");
}
