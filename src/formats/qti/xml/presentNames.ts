import type { Xml, XmlNode } from "./xml";

/** Elements of the text, which have the same names in every version. */
const TEXT_NAMES = new Set([
  "a",
  "abbr",
  "acronym",
  "address",
  "article",
  "aside",
  "audio",
  "b",
  "bdi",
  "bdo",
  "big",
  "blockquote",
  "br",
  "caption",
  "cite",
  "code",
  "col",
  "colgroup",
  "dd",
  "del",
  "details",
  "dfn",
  "div",
  "dl",
  "dt",
  "em",
  "figcaption",
  "figure",
  "footer",
  "h1",
  "h2",
  "h3",
  "h4",
  "h5",
  "h6",
  "header",
  "hr",
  "i",
  "img",
  "include",
  "ins",
  "kbd",
  "label",
  "li",
  "main",
  "mark",
  "math",
  "nav",
  "object",
  "ol",
  "p",
  "param",
  "picture",
  "pre",
  "q",
  "rb",
  "rp",
  "rt",
  "rtc",
  "ruby",
  "s",
  "samp",
  "section",
  "small",
  "source",
  "span",
  "strong",
  "style",
  "sub",
  "summary",
  "sup",
  "svg",
  "table",
  "tbody",
  "td",
  "tfoot",
  "th",
  "thead",
  "time",
  "tr",
  "track",
  "tt",
  "u",
  "ul",
  "var",
  "video",
  "wbr",
  "script",
  "iframe",
  "embed",
  "link",
  "form",
  "input",
  "button",
]);

const kebab = (name: string): string => name.replace(/([a-z0-9])([A-Z])/g, "$1-$2").toLowerCase();

/**
 * An item of version 2.1 or 2.2 under the names that version 3.0 gives its elements and attributes; one of 3.0 stays as it is.
 * @example presentNames(xml("choiceInteraction", { maxChoices: "1" })) // { name: "qti-choice-interaction", attributes: { "max-choices": "1" }, children: [] }
 */
export function presentNames(element: Xml): Xml {
  if (element.name.startsWith("qti-")) return element;
  return renamed(element);
}

function renamed(element: Xml): Xml {
  // Formulas and drawings have names of their own, which are not ours to change.
  if (element.name === "math" || element.name === "svg") return element;
  const isText = TEXT_NAMES.has(element.name);
  return {
    ...element,
    name: isText ? element.name : `qti-${kebab(element.name)}`,
    attributes: Object.fromEntries(
      Object.entries(element.attributes).map(([name, value]) => [name.includes(":") ? name : kebab(name), value]),
    ),
    children: element.children.map((child: XmlNode) => (typeof child === "string" ? child : renamed(child))),
  };
}
