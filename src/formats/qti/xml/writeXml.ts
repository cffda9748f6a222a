import { isXml, type Xml, type XmlNode } from "./xml";

/** Whether XML 1.0 can hold a character: no control beside tab and line ends, no half of a pair (section 2.2). */
const isAllowed = (letter: string): boolean => {
  const code = letter.codePointAt(0) ?? 0;
  if (code < 0x20) return code === 9 || code === 10 || code === 13;
  return !(code >= 0xd800 && code <= 0xdfff) && code !== 0xfffe && code !== 0xffff;
};

const escaped = (text: string): string =>
  [...text]
    .filter(isAllowed)
    .join("")
    .replace(/&/g, "&amp;")
    .replace(/</g, "&lt;")
    .replace(/>/g, "&gt;")
    .replace(/"/g, "&quot;")
    .replace(/[\t\n\r]/g, (space) => `&#${space.charCodeAt(0)};`);

/** Elements in which a line that is broken would be a space between words. */
const HOLDS_WORDS = new Set(["p", "li", "th", "td", "qti-prompt", "qti-simple-choice", "qti-simple-associable-choice"]);

/** A document with its declaration; elements stand on lines of their own where that says nothing. */
export const writeXml = (root: Xml): string => `<?xml version="1.0" encoding="UTF-8"?>\n${written(root, "\n")}\n`;

/** `lineEnd`: what begins a line for a child; null within words, where none may be broken. */
function written(node: XmlNode, lineEnd: string | null): string {
  if (!isXml(node)) return escaped(node);
  const { name, attributes, children } = node;
  const start = [name, ...Object.entries(attributes).map(([key, value]) => `${key}="${escaped(value)}"`)].join(" ");
  if (children.length === 0) return `<${start}/>`;
  const inner = HOLDS_WORDS.has(name) || !children.every(isXml) || lineEnd === null ? null : `${lineEnd}  `;
  const held = children.map((child) => `${inner ?? ""}${written(child, inner)}`).join("");
  return `<${start}>${held}${inner === null ? "" : lineEnd}</${name}>`;
}
