import type { ExchangeRemark, ExchangeRemarkCode, ItemFileProblem } from "@/core/items/exchangeRemark";
import type { ItemBody } from "@/core/items/itemBody";
import { faultsOf } from "@/core/items/lookOver";
import type { ExchangeItem, ExchangePassage, ReadItem } from "../exchange/exchangeItem";
import { readZip } from "../package/readZip";
import { ownId } from "./names";
import { type PackagePicture, pictureReader } from "./pictureFiles";
import { type BesideItem, readItem } from "./readItem";
import { textOf } from "./readText";
import { bodyOfSource } from "./source";
import { SKILLS_PROVIDER } from "./writePackage";
import { presentNames } from "./xml/presentNames";
import { readXml } from "./xml/readXml";
import { childOf, childrenOf, named, rawText, type Xml } from "./xml/xml";

export type PackageReading =
  | { readonly ok: false; readonly why: ItemFileProblem }
  | {
      readonly ok: true;
      /** Of the test that lists the items; empty where there is none. */
      readonly title: string;
      readonly items: readonly ReadItem[];
      /** Shown by these items, each once. */
      readonly pictures: readonly PackagePicture[];
      /** Files that nothing here reads. */
      readonly unread: readonly string[];
    };

const LIMITS = { mostFiles: 80_000, mostBytes: 400_000_000, mostExpansion: 300, keepFolders: true } as const;
const MOST_ITEMS = 20_000;
/** A manifest names every item with what it is about: more than any one of them holds. */
const OF_A_MANIFEST = { mostBytes: 60_000_000, mostNodes: 2_000_000 };
const ITEM = /^imsqti_item_xmlv(2p[012]|3p0)$/;
const TEST = /^imsqti_(test|assessment)_xmlv(2p[012]|3p0)$/;

/**
 * Reads a content package of Question and Test Interoperability, version 2.1, 2.2 or 3.0, item by item: each is taken, or says why it
 * is not, and what of it could not be kept. A package that can't be read at all says why. Never throws. `progress` hears how many of
 * how many items are read.
 */
export function readPackage(
  bytes: Uint8Array,
  progress: (done: number, of: number) => void = () => {},
): PackageReading {
  const zip = readZip(bytes, LIMITS);
  if (!zip.ok) return { ok: false, why: { kind: "zip", remark: zip.why } };
  // Some programs pack a folder round the package.
  const at = [...zip.files.keys()]
    .filter((name) => /(^|\/)imsmanifest\.xml$/.test(name))
    .sort((x, y) => x.length - y.length)[0];
  if (at === undefined) return { ok: false, why: { kind: "no-manifest" } };
  const folder = at.slice(0, -"imsmanifest.xml".length);
  const manifest = readXml(zip.files.get(at) ?? new Uint8Array(), OF_A_MANIFEST);
  if (!manifest.ok) return { ok: false, why: { kind: "bad-manifest", line: manifest.line } };
  const resources = named(manifest.root, "resource");
  const wanted = resources.filter(({ attributes }) => ITEM.test(attributes.type ?? ""));
  if (wanted.length === 0) return { ok: false, why: { kind: "no-items" } };
  if (wanted.length > MOST_ITEMS)
    return { ok: false, why: { kind: "too-many-items", items: wanted.length, most: MOST_ITEMS } };
  const fileAt = (path: string) => zip.files.get(folder + path);
  const used = new Set([
    at,
    ...resources.flatMap(({ attributes }) => attributes.href ?? []).map((href) => folder + pathOf("", href)),
  ]);
  const seen = new Set<string>();
  const passages = keptPassages(fileAt);
  const pictures = pictureReader(fileAt);
  const items = wanted.map((resource, place) => {
    progress(place, wanted.length);
    for (const { attributes } of childrenOf(resource, "file")) used.add(folder + pathOf("", attributes.href ?? ""));
    return readResource(resource, fileAt, { passages, pictures: pictures.hashOf, seen });
  });
  const shown = new Set(pictures.paths().map((path) => folder + path));
  return {
    ok: true,
    title: titleOfTest(resources, fileAt),
    items,
    pictures: pictures.kept(),
    unread: [...zip.files.keys()].filter((name) => !used.has(name) && !shown.has(name)),
  };
}

/** Reads a document that holds a single item, without a package around it. */
export function readSingleItem(bytes: Uint8Array, file: string): ReadItem {
  return readDocument(file, bytes, {
    passages: () => null,
    pictures: () => null,
    seen: new Set(),
    source: null,
    resource: null,
  });
}

type FileAt = (path: string) => Uint8Array | undefined;

function readResource(
  resource: Xml,
  fileAt: FileAt,
  { passages, pictures, seen }: Pick<Beside, "passages" | "pictures" | "seen">,
): ReadItem {
  const file = pathOf("", resource.attributes.href ?? "");
  const bytes = fileAt(file);
  if (!bytes) return none(file, "file-missing", file);
  const beside = childrenOf(resource, "file").flatMap(({ attributes }) => attributes.href ?? []);
  const sourceFile = beside.find((path) => /(^|\/)sources\/[^/]+\.json$/.test(path));
  const source = sourceFile === undefined ? undefined : fileAt(pathOf("", sourceFile));
  return readDocument(file, bytes, {
    passages: (href) => passages(pathOf(file, href)),
    pictures: (href) => pictures(pathOf(file, href)),
    seen,
    source: source ? new TextDecoder().decode(source) : null,
    resource,
  });
}

interface Beside extends BesideItem {
  readonly seen: Set<string>;
  readonly source: string | null;
  readonly resource: Xml | null;
}

function readDocument(file: string, bytes: Uint8Array, { seen, source, resource, ...beside }: Beside): ReadItem {
  const document = readXml(bytes);
  if (!document.ok) return none(file, document.code, undefined, document.line);
  const reading = readItem(presentNames(document.root), beside);
  const remarks = [...reading.remarks];
  const title = reading.item?.title ?? document.root.attributes.title ?? "";
  const whole = withShownPictures(reading.item?.body ?? null, source, remarks);
  const original = () => new TextDecoder().decode(bytes);
  const refused = (code: ExchangeRemarkCode, about?: string): ReadItem => ({
    at: file,
    title,
    item: null,
    remarks: [{ code, ...(about === undefined ? {} : { at: about }) }, ...remarks],
    original: original(),
  });
  const id = reading.item?.id ?? ownId(document.root.attributes.identifier ?? "");
  if (!whole) return { at: file, title, item: null, remarks, original: original() };
  if (id === "") return refused("not-an-item");
  if (seen.has(id)) return refused("id-twice", id);
  const [fault] = faultsOf(whole);
  if (fault) return refused("body-unsound", fault.path);
  seen.add(id);
  const item: ExchangeItem = {
    title,
    depth: null,
    calculator: false,
    language: "en",
    passage: null,
    ...reading.item,
    id,
    body: whole,
    ...(resource ? alignmentOf(resource) : { skillIds: [], standards: [] }),
  };
  return { at: file, title, item, remarks, original: remarks.length > 0 ? original() : null };
}

/** The same without pictures that the package does not hold: a source beside the document may name any. */
function withShownPictures(body: ItemBody | null, source: string | null, remarks: ExchangeRemark[]): ItemBody | null {
  const whole = wholeBody(body, source, remarks);
  if (!whole?.images) return whole;
  const held = new Set((body?.images ?? []).map(({ picture }) => picture));
  const { images, ...rest } = whole;
  const shown = images.filter(({ picture }) => held.has(picture));
  if (shown.length < images.length) remarks.push({ code: "picture-left-out" });
  return shown.length > 0 ? { ...rest, images: shown } : rest;
}

/** The body in full where a source beside the document says it; what was said of the document then no longer holds. */
function wholeBody(body: ItemBody | null, source: string | null, remarks: ExchangeRemark[]): ItemBody | null {
  if (source === null) return body;
  const found = bodyOfSource(source, body);
  if (found === "changed") remarks.push({ code: "changed-elsewhere" });
  if (found === "changed" || found === null) return body;
  remarks.length = 0;
  return found;
}

const none = (file: string, code: ExchangeRemarkCode, at?: string, line?: number): ReadItem => ({
  at: file,
  title: "",
  item: null,
  remarks: [{ code, ...(at === undefined ? {} : { at }), ...(line === undefined ? {} : { line }) }],
  original: null,
});

/** Standards and skills that the manifest says an item is about. */
function alignmentOf(resource: Xml): Pick<ExchangeItem, "skillIds" | "standards"> {
  const skillIds: string[] = [];
  const standards: ExchangeItem["standards"][number][] = [];
  for (const set of named(resource, "curriculumStandardsMetadata"))
    for (const one of named(set, "labelledGUID")) {
      const [label, guid] = ["label", "GUID"].map((name) => rawText(childOf(one, name) ?? "").trim());
      if (set.attributes.providerId === SKILLS_PROVIDER) skillIds.push(guid || label || "");
      else standards.push({ code: label ?? "", caseId: guid || null });
    }
  return { skillIds: skillIds.slice(0, 8), standards: standards.slice(0, 20) };
}

function titleOfTest(resources: readonly Xml[], fileAt: FileAt): string {
  const test = resources.find(({ attributes }) => TEST.test(attributes.type ?? ""));
  const bytes = fileAt(pathOf("", test?.attributes.href ?? ""));
  const document = bytes ? readXml(bytes) : null;
  return document?.ok ? (document.root.attributes.title ?? "") : "";
}

/** The words of shared passages, each read once however many items hang on it. */
function keptPassages(fileAt: FileAt): (path: string) => ExchangePassage | null {
  const known = new Map<string, ExchangePassage | null>();
  return (path) => {
    if (!known.has(path)) {
      const bytes = fileAt(path);
      const document = bytes ? readXml(bytes) : null;
      known.set(path, document?.ok ? passageOf(presentNames(document.root)) : null);
    }
    return known.get(path) ?? null;
  };
}

/** The words of a stimulus; null for a document of another kind, or without any. */
function passageOf(root: Xml): ExchangePassage | null {
  const { identifier = "", title = "", "xml:lang": language = "" } = root.attributes;
  const paragraphs = textOf([root], () => {})
    .split("\n")
    .filter((line) => line !== "");
  if (root.name !== "qti-assessment-stimulus" || paragraphs.length === 0 || identifier === "") return null;
  return {
    id: ownId(identifier),
    title: title.trim().slice(0, 120) || (paragraphs[0] ?? "").slice(0, 60),
    language: /^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(language) ? language : "en",
    paragraphs,
  };
}

/** A path that a file names, from the root of the package; what leads out of it ends at the root, where nothing is found. */
function pathOf(from: string, href: string): string {
  const steps = from.split("/").slice(0, -1);
  let name = href.split(/[?#]/)[0] ?? "";
  try {
    name = decodeURIComponent(name);
  } catch {
    // A name with a stray sign stands for itself.
  }
  for (const step of name.replace(/\\/g, "/").split("/")) {
    if (step === "..") steps.pop();
    else if (step !== "." && step !== "") steps.push(step);
  }
  return steps.join("/");
}
