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

/** A document with its declaration. Elements without text of their own stand on lines of their own. */
export const writeXml = (root: Xml): string => `<?xml version="1.0" encoding="UTF-8"?>\n${written(root, 0)}\n`;

function written({ name, attributes, children }: Xml, depth: number): string {
  const start = [name, ...Object.entries(attributes).map(([key, value]) => `${key}="${escaped(value)}"`)].join(" ");
  if (children.length === 0) return `<${start}/>`;
  // A space between words that stand in elements is text: only where there are elements alone may lines be broken.
  if (!BROKEN.has(name) || children.some((child) => !isXml(child)))
    return `<${start}>${children.map(inLine).join("")}</${name}>`;
  const pad = "\n".concat(" ".repeat(2 * depth));
  return `<${start}>${children.map((child) => `${pad}  ${isXml(child) ? written(child, depth + 1) : ""}`).join("")}${pad}</${name}>`;
}

const inLine = (node: XmlNode): string => {
  if (!isXml(node)) return escaped(node);
  const start = [node.name, ...Object.entries(node.attributes).map(([key, value]) => `${key}="${escaped(value)}"`)];
  return node.children.length === 0
    ? `<${start.join(" ")}/>`
    : `<${start.join(" ")}>${node.children.map(inLine).join("")}</${node.name}>`;
};

/** Elements in which white space means nothing. */
const BROKEN = new Set([
  "div",
  "ul",
  "table",
  "tbody",
  "tr",
  "manifest",
  "metadata",
  "organizations",
  "resources",
  "resource",
  "curriculumStandardsMetadataSet",
  "curriculumStandardsMetadata",
  "setOfGUIDs",
  "labelledGUID",
  "qti-assessment-item",
  "qti-assessment-test",
  "qti-test-part",
  "qti-assessment-section",
  "qti-item-body",
  "qti-context-declaration",
  "qti-response-declaration",
  "qti-outcome-declaration",
  "qti-correct-response",
  "qti-default-value",
  "qti-mapping",
  "qti-area-mapping",
  "qti-response-processing",
  "qti-response-condition",
  "qti-response-if",
  "qti-set-outcome-value",
  "qti-match",
  "qti-equal",
  "qti-member",
  "qti-multiple",
  "qti-ordered",
  "qti-sum",
  "qti-product",
  "qti-choice-interaction",
  "qti-order-interaction",
  "qti-match-interaction",
  "qti-simple-match-set",
  "qti-hotspot-interaction",
  "qti-select-point-interaction",
  "qti-slider-interaction",
  "qti-assessment-stimulus",
  "qti-stimulus-body",
  "qti-modal-feedback",
  "qti-content-body",
]);
