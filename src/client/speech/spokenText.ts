import { AND, spokenFraction, spokenSigns } from "@/words/students/spokenSigns";

/**
 * What stands in an element as it is read aloud: its words in order, fractions and signs in words, pictures by what they are said to show. What is
 * hidden from screen readers, and buttons, are left out.
 */
export function spokenText(element: Element): string {
  const lines = wordsOf(element).split("\n");
  const spoken = lines.map((line) => spokenSigns(line)).filter((line) => line !== "");
  // A line that has no end of its own gets one, so that there is a pause.
  return spoken.map((line) => (/[.?!:,;]$/.test(line) ? line : `${line}.`)).join(" ");
}

const SILENT = new Set(["button", "script", "style", "annotation"]);
const OF_LINE = new Set([
  "span",
  "b",
  "i",
  "em",
  "strong",
  "a",
  "mrow",
  "semantics",
  "math",
  "mn",
  "mi",
  "mo",
  "mtext",
  "legend",
]);

function wordsOf(node: Node): string {
  if (node.nodeType === Node.TEXT_NODE) return node.textContent ?? "";
  if (!(node instanceof Element)) return "";
  const name = node.localName;
  if (SILENT.has(name) || node.getAttribute("aria-hidden") === "true") return "";
  const label = node.getAttribute("aria-label");
  if (name === "img") return `\n${node.getAttribute("alt") ?? ""}\n`;
  if (name === "svg") return label === null ? "" : `\n${label}\n`;
  if (name === "input" || name === "textarea" || name === "select") return "";
  if (name === "mfrac") return fraction(node);
  const inner = [...node.childNodes].map(wordsOf).join(OF_LINE.has(name) ? "" : " ");
  return OF_LINE.has(name) ? inner : `\n${inner}\n`;
}

function fraction(node: Element): string {
  const [over, under] = [...node.children].map((child) => wordsOf(child).trim());
  const words = ` ${spokenFraction(over ?? "", under ?? "")} `;
  return node.previousElementSibling?.localName === "mn" ? ` ${AND}${words}` : words;
}
