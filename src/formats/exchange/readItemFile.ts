import type { ItemFileProblem } from "@/core/items/exchangeRemark";
import type { PackagePicture } from "../qti/pictureFiles";
import { readPackage, readSingleItem } from "../qti/readPackage";
import { isWorkbook, isZip } from "../table/isWorkbook";
import type { ReadItem } from "./exchangeItem";
import { readItemSheet } from "./readItemSheet";

export type ItemFileKind = "package" | "document" | "sheet";

/** A file of items, whatever it is: what it holds, or why it can't be read at all. */
export type ItemFileReading =
  | { readonly ok: false; readonly why: ItemFileProblem }
  | {
      readonly ok: true;
      readonly title: string;
      readonly items: readonly ReadItem[];
      /** Shown by these items, each once. */
      readonly pictures: readonly PackagePicture[];
      readonly unread: readonly string[];
    };

/**
 * What kind of file its bytes are: a zip that is no workbook is a package, a document begins with its declaration or its first tag, and
 * everything else is read as a sheet.
 */
export function itemFileKind(bytes: Uint8Array): ItemFileKind {
  if (isZip(bytes)) return isWorkbook(bytes) ? "sheet" : "package";
  const start = new TextDecoder()
    .decode(bytes.subarray(0, 200))
    .replace(/^\uFEFF/, "")
    .trimStart();
  return /^<(\?xml|[a-z!])/i.test(start) ? "document" : "sheet";
}

/** Reads a file of items. Never throws for what is in it. */
export async function readItemFile(
  { kind, fileName, bytes }: { readonly kind: ItemFileKind; readonly fileName: string; readonly bytes: Uint8Array },
  progress: (done: number, of: number) => void,
): Promise<ItemFileReading> {
  if (kind === "package") return readPackage(bytes, progress);
  if (kind === "document")
    return { ok: true, title: "", items: [readSingleItem(bytes, fileName)], pictures: [], unread: [] };
  const sheet = await readItemSheet(bytes);
  if (sheet.ok) return { ok: true, title: "", items: sheet.items, pictures: [], unread: [] };
  if (sheet.why === "columns-not-known") return { ok: false, why: { kind: "columns-not-known" } };
  return { ok: false, why: { kind: "sheet", remark: sheet.why } };
}
