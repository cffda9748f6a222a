import { SaxesParser } from "saxes";
import { decodeText } from "../../table/decodeText";
import type { Xml, XmlNode } from "./xml";

export type XmlProblem = "not-text" | "not-xml" | "own-entities" | "too-deep" | "too-much";
export type XmlReading =
  | { readonly ok: true; readonly root: Xml }
  | { readonly ok: false; readonly code: XmlProblem; readonly line: number; readonly column: number };

export interface XmlLimits {
  readonly mostBytes: number;
  /** Elements and texts. */
  readonly mostNodes: number;
}

const MOST_DEPTH = 60;
const OF_AN_ITEM: XmlLimits = { mostBytes: 4_000_000, mostNodes: 100_000 };

class Stop extends Error {
  constructor(readonly code: XmlProblem) {
    super(code);
  }
}

/**
 * Reads a document of XML 1.0. A document that declares entities of its own is refused: they may name files or grow without end.
 * Names lose the prefix of their namespace. Never throws.
 */
export function readXml(bytes: Uint8Array, { mostBytes, mostNodes }: XmlLimits = OF_AN_ITEM): XmlReading {
  if (bytes.length > mostBytes) return { ok: false, code: "too-much", line: 1, column: 1 };
  const text = decodeText(bytes)?.text;
  if (text === undefined) return { ok: false, code: "not-text", line: 1, column: 1 };
  const parser = new SaxesParser({ xmlns: true });
  const open: { readonly element: Xml; readonly children: XmlNode[] }[] = [];
  let root: Xml | null = null;
  let nodes = 0;
  const count = () => {
    if (++nodes > mostNodes) throw new Stop("too-much");
  };
  parser.on("error", () => {
    throw new Stop("not-xml");
  });
  parser.on("doctype", (doctype) => {
    if (/<!ENTITY/i.test(doctype)) throw new Stop("own-entities");
  });
  parser.on("opentag", ({ local, attributes }) => {
    count();
    if (open.length >= MOST_DEPTH) throw new Stop("too-deep");
    const own = Object.values(attributes).filter(({ prefix, name }) => prefix !== "xmlns" && name !== "xmlns");
    const children: XmlNode[] = [];
    const element: Xml = {
      name: local,
      attributes: Object.fromEntries(
        own.map(({ local: name, prefix, value }) => [prefix === "xml" ? `xml:${name}` : name, value]),
      ),
      children,
      line: parser.line,
    };
    open.at(-1)?.children.push(element);
    open.push({ element, children });
    root ??= element;
  });
  parser.on("closetag", () => {
    open.pop();
  });
  const say = (words: string) => {
    count();
    open.at(-1)?.children.push(words);
  };
  parser.on("text", say);
  parser.on("cdata", say);
  try {
    parser.write(text.replace(/^\uFEFF/, "")).close();
  } catch (error) {
    const code = error instanceof Stop ? error.code : "not-xml";
    return { ok: false, code, line: parser.line, column: parser.column };
  }
  return root === null ? { ok: false, code: "not-xml", line: 1, column: 1 } : { ok: true, root };
}
