import type { Note } from "../exchange/exchangeItem";
import { childrenOf, isXml, named, rawText, within, type Xml, type XmlNode } from "./xml/xml";

/** Elements that stand on lines of their own. */
const BLOCKS = new Set([
  "p",
  "div",
  "h1",
  "h2",
  "h3",
  "h4",
  "h5",
  "h6",
  "ul",
  "ol",
  "li",
  "dl",
  "dt",
  "dd",
  "blockquote",
  "pre",
  "section",
  "article",
  "table",
  "tr",
  "figure",
  "figcaption",
  "address",
  "hr",
  "qti-content-body",
  "qti-stimulus-body",
]);
const EMPHASIS = new Set(["b", "big", "em", "i", "strong", "u", "mark", "small"]);
const MEDIA = new Set(["audio", "video", "object", "svg", "canvas", "qti-media-interaction"]);
const NEVER = new Set(["script", "style", "iframe", "embed", "link", "form", "input", "button", "meta"]);
const RAISED = "⁰¹²³⁴⁵⁶⁷⁸⁹";
const LOWERED = "₀₁₂₃₄₅₆₇₈₉";

/**
 * The words of a piece of a document, a line for each paragraph; pictures give their alternative text. What words can't say is noted.
 * `instead` gives the words that stand for an element of its own, such as an answer box.
 */
export function textOf(
  nodes: readonly XmlNode[],
  note: Note,
  instead: (element: Xml) => string | null = () => null,
): string {
  const words = nodes.map((node) => wordsOf(node, note, instead)).join("");
  return words
    .split("\n")
    .map((line) => line.replace(/[\s\u00a0]+/g, " ").trim())
    .filter((line) => line !== "")
    .join("\n");
}

/** Breaks that a document's own layout makes are spaces; only a block ends a line. */
function wordsOf(node: XmlNode, note: Note, instead: (element: Xml) => string | null): string {
  if (!isXml(node)) return node.replace(/\s+/g, " ");
  const own = instead(node);
  if (own !== null) return own;
  const { name, line } = node;
  const inner = () => node.children.map((child) => wordsOf(child, note, instead)).join("");
  if (NEVER.has(name)) {
    note("script-left-out", name, line);
    return "";
  }
  if (name === "br") return "\n";
  if (name === "img" || name === "picture") return pictureWords(node, note);
  if (MEDIA.has(name)) {
    note("media-left-out", name, line);
    return "";
  }
  if (name === "math") return formulaWords(node, note);
  if (name === "table") note("table-in-words", undefined, line);
  if (name === "a") note("link-left-out", node.attributes.href?.slice(0, 80), line);
  if (name === "td" || name === "th") return `${inner()}  `;
  if (EMPHASIS.has(name)) note("emphasis-lost", undefined, line);
  if (name === "sup") return raised(inner(), RAISED, "^");
  if (name === "sub") return raised(inner(), LOWERED, "_");
  return BLOCKS.has(name) ? `\n${inner()}\n` : inner();
}

const raised = (text: string, digits: string, sign: string): string =>
  /^\d+$/.test(text.trim()) ? [...text.trim()].map((digit) => digits[Number(digit)]).join("") : `${sign}${text}`;

function pictureWords(node: Xml, note: Note): string {
  const alt = (node.attributes.alt ?? named(node, "img")[0]?.attributes.alt ?? "").trim();
  note("picture-left-out", node.attributes.src?.slice(0, 80), node.line);
  return alt === "" ? "" : ` [${alt}] `;
}

/** The TeX that a formula says of itself; null where it says none. */
function texOf(node: Xml): string | null {
  const [said] = within(
    node,
    ({ name, attributes }) => name === "annotation" && attributes.encoding === "application/x-tex",
  );
  const tex = said ? rawText(said).trim() : "";
  return tex === "" || tex.includes("\\)") ? null : tex;
}

/** A formula in a line: fractions, powers, roots and what stands in a row; anything else in its plain words, which is noted. */
function formulaWords(node: Xml, note: Note): string {
  const parts = childrenOf(node);
  const inner = () => parts.map((part) => formulaWords(part, note)).join("");
  const simple = (text: string) => (/^[\p{L}\p{N}.]*$/u.test(text) ? text : `(${text})`);
  const [first = "", second = ""] = parts.slice(0, 2).map((part) => formulaWords(part, note));
  switch (node.name) {
    case "mi":
    case "mn":
    case "mo":
    case "mtext":
    case "ms":
      return rawText(node).trim();
    case "mfrac":
      return `${simple(first)}/${simple(second)}`;
    case "msup":
      return raised(second, RAISED, "^").replace(/^/, simple(first));
    case "msub":
      return `${first}${raised(second, LOWERED, "_")}`;
    case "msqrt":
      return `√${simple(inner())}`;
    case "math": {
      const tex = texOf(node);
      return tex === null ? inner() : `\\(${tex}\\)`;
    }
    case "mrow":
    case "mstyle":
    case "semantics":
    case "mpadded":
      return node.name === "semantics" ? first : inner();
    case "mspace":
      return " ";
    case "annotation":
    case "annotation-xml":
      return "";
    default:
      note("formula-in-words", node.name, node.line);
      return rawText(node).replace(/\s+/g, " ");
  }
}
