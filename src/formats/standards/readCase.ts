import type { StandardsFault } from "@/core/library/standardsFault";
import { gradeOfCode } from "@/core/roster/gradeCode";
import { decodeText } from "../table/decodeText";
import { ownUri } from "./ownUri";
import type {
  StandardLinkKind,
  StandardLinkRecord,
  StandardRecord,
  StandardsPackage,
  Unread,
} from "./standardsPackage";
import { treeOrder } from "./treeOrder";

const MOST_STANDARDS = 50_000;
const MOST_ASSOCIATIONS = 200_000;
const MOST_LETTERS = 20_000;
const SHOWN_LETTERS = 80;

/** Associations that are read, by their name in the standard; the way is always from origin to destination. */
export const LINK_NAMES: Readonly<Record<string, StandardLinkKind>> = {
  precedes: "precedes",
  exactMatchOf: "same",
  isRelatedTo: "related",
  isPartOf: "part-of",
};

/**
 * Reads a package of Competencies and Academic Standards Exchange, version 1.0 or 1.1, as JSON (1EdTech 2017, 2024): document, items and
 * associations with their identifiers, the tree by `isChildOf` and its sequence numbers. What is not read is kept beside. Either the whole package or
 * what is wrong with it, up to 100 faults; a package with a fault is no package.
 */
export function readCase(
  bytes: Uint8Array,
):
  | { readonly ok: true; readonly package: StandardsPackage }
  | { readonly ok: false; readonly faults: readonly StandardsFault[] } {
  const faults: StandardsFault[] = [];
  const found = readPackage(bytes, (path, code, value = "") => {
    if (faults.length < 100) faults.push({ path, code, value: shortened(value) });
  });
  return found && faults.length === 0 ? { ok: true, package: found } : { ok: false, faults };
}

type Note = (path: string, code: StandardsFault["code"], value?: unknown) => void;

const shortened = (value: unknown): string =>
  (typeof value === "string" ? value : value === undefined ? "" : (JSON.stringify(value) ?? "")).slice(
    0,
    SHOWN_LETTERS,
  );

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

function readPackage(bytes: Uint8Array, note: Note): StandardsPackage | null {
  const raw = parsed(bytes);
  if (raw === undefined) {
    note("", "not-json");
    return null;
  }
  if (!isRecord(raw) || !isRecord(raw.CFDocument) || !Array.isArray(raw.CFItems)) {
    note("", "not-a-package");
    return null;
  }
  const { CFDocument, CFItems, CFAssociations = [], ...parts } = raw;
  if (!Array.isArray(CFAssociations)) {
    note("CFAssociations", "not-a-package");
    return null;
  }
  if (CFItems.length > MOST_STANDARDS || CFAssociations.length > MOST_ASSOCIATIONS) {
    note(CFItems.length > MOST_STANDARDS ? "CFItems" : "CFAssociations", "too-many", CFItems.length);
    return null;
  }
  const document = readDocument(CFDocument as Record<string, unknown>, note);
  const items = readItems(CFItems, note);
  const known = new Set(items.map(({ caseId }) => caseId));
  const { branches, links, others } = readAssociations(CFAssociations, { known, root: document.caseId }, note);
  const ordered = treeOrder(
    items.map((item) => ({ ...item, parentCaseId: branches.get(item.caseId)?.parent ?? null })),
    (caseId) => branches.get(caseId)?.sequence ?? Number.POSITIVE_INFINITY,
  );
  if ("circular" in ordered) {
    for (const caseId of ordered.circular)
      note(`CFItems ${caseId}`, "circular", items.find((one) => one.caseId === caseId)?.code ?? "");
    return null;
  }
  return {
    document,
    standards: ordered.standards,
    links,
    branches: Object.fromEntries([...branches].map(([child, { caseId, unread }]) => [child, { caseId, unread }])),
    unread: { associations: others, parts },
  };
}

function parsed(bytes: Uint8Array): unknown {
  const decoded = decodeText(bytes);
  if (decoded === null) return undefined;
  try {
    return JSON.parse(decoded.text.replace(/^\uFEFF/, ""));
  } catch {
    return undefined;
  }
}

/** Reads texts of one record; what was read is taken out of what is kept beside. */
function textsOf(record: Record<string, unknown>, path: string, note: Note) {
  const left = { ...record };
  return {
    left,
    /** The identifier; an address that we made from it is not kept. */
    identifier(): string {
      const caseId = this.text("identifier", true);
      if (left.uri === ownUri(caseId)) delete left.uri;
      return caseId;
    },
    text(name: string, isNeeded: boolean): string {
      const value = left[name];
      delete left[name];
      if (value === undefined || value === null || value === "") {
        if (isNeeded) note(`${path}.${name}`, "missing");
        return "";
      }
      if (typeof value !== "string") note(`${path}.${name}`, "not-text", value);
      else if (value.length > MOST_LETTERS) note(`${path}.${name}`, "too-long", value);
      else return value;
      return "";
    },
  };
}

function readDocument(record: Record<string, unknown>, note: Note): StandardsPackage["document"] {
  const texts = textsOf(record, "CFDocument", note);
  return {
    caseId: texts.identifier(),
    title: texts.text("title", true),
    version: texts.text("version", false),
    language: texts.text("language", false),
    creator: texts.text("creator", false),
    unread: texts.left,
  };
}

function readItems(raw: readonly unknown[], note: Note): Omit<StandardRecord, "parentCaseId">[] {
  const seen = new Set<string>();
  return raw.flatMap((record, place) => {
    const path = `CFItems[${place}]`;
    if (!isRecord(record)) {
      note(path, "not-a-package", record);
      return [];
    }
    const texts = textsOf(record, path, note);
    const { left } = texts;
    const caseId = texts.identifier();
    if (seen.has(caseId)) note(`${path}.identifier`, "twice", caseId);
    seen.add(caseId);
    const item = {
      caseId,
      type: texts.text("CFItemType", false),
      code: texts.text("humanCodingScheme", false),
      statement: texts.text("fullStatement", true),
    };
    const grades = gradesIn(left.educationLevel);
    // Levels that are more than grades from low to high stay as they were said.
    if (grades.isWhole) delete left.educationLevel;
    return [{ ...item, gradeLow: grades.low, gradeHigh: grades.high, unread: left }];
  });
}

function gradesIn(value: unknown): {
  readonly low: number | null;
  readonly high: number | null;
  readonly isWhole: boolean;
} {
  const codes = Array.isArray(value) ? value : [];
  const grades = codes.flatMap((code) => (typeof code === "string" ? (gradeOfCode(code) ?? []) : []));
  if (grades.length === 0) return { low: null, high: null, isWhole: value === undefined };
  const [low, high] = [Math.min(...grades), Math.max(...grades)];
  const isRun = grades.length === codes.length && grades.every((grade, place) => grade === low + place);
  return { low, high, isWhole: isRun && high === low + grades.length - 1 };
}

interface Branch {
  readonly parent: string | null;
  readonly sequence: number;
  readonly caseId: string;
  readonly unread: Unread;
}

function readAssociations(
  raw: readonly unknown[],
  { known, root }: { readonly known: ReadonlySet<string>; readonly root: string },
  note: Note,
) {
  const branches = new Map<string, Branch>();
  const links: StandardLinkRecord[] = [];
  const others: unknown[] = [];
  const seen = new Set<string>();
  for (const [place, record] of raw.entries()) {
    const path = `CFAssociations[${place}]`;
    const kind = isRecord(record) ? record.associationType : undefined;
    const linkKind = typeof kind === "string" && Object.hasOwn(LINK_NAMES, kind) ? LINK_NAMES[kind] : undefined;
    if (!isRecord(record)) note(path, "not-a-package", record);
    else if (kind !== "isChildOf" && linkKind === undefined) others.push(record);
    else {
      const tie = readTie(record, path, note);
      if (seen.has(tie.caseId)) note(`${path}.identifier`, "twice", tie.caseId);
      seen.add(tie.caseId);
      if (tie.from === null || tie.to === null) continue;
      const { caseId, from, to, sequence, unread } = tie;
      if (linkKind !== undefined) links.push({ caseId, kind: linkKind, fromCaseId: from, toCaseId: to, unread });
      else if (!known.has(from)) note(`${path}.originNodeURI`, "not-there", from);
      else if (to !== root && !known.has(to)) note(`${path}.destinationNodeURI`, "not-there", to);
      else if (branches.has(from)) note(`${path}.originNodeURI`, "two-parents", from);
      else {
        // The order of the tree says it anew.
        const { sequenceNumber: _sequence, ...rest } = unread;
        branches.set(from, { parent: to === root ? null : to, sequence, caseId, unread: rest });
      }
    }
  }
  return { branches, links, others };
}

/** One association with its ends; an end that names nothing is noted, and null. */
function readTie(record: Record<string, unknown>, path: string, note: Note) {
  const { associationType: _kind, ...rest } = record;
  const texts = textsOf(rest, path, note);
  const caseId = texts.identifier();
  const [from, to] = [endOf(record.originNodeURI), endOf(record.destinationNodeURI)];
  if (from === null) note(`${path}.originNodeURI`, "missing", record.originNodeURI);
  if (to === null) note(`${path}.destinationNodeURI`, "missing", record.destinationNodeURI);
  const { sequenceNumber } = record;
  const sequence = typeof sequenceNumber === "number" ? sequenceNumber : Number.POSITIVE_INFINITY;
  return { caseId, from, to, sequence, unread: texts.left };
}

/** The identifier that an end of an association names. */
function endOf(value: unknown): string | null {
  const id = isRecord(value) ? value.identifier : undefined;
  return typeof id === "string" && id !== "" ? id : null;
}
