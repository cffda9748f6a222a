import { ParseError, renderToString } from "katex";
import { formulasIn } from "@/core/model/formula";
import { readXml } from "./xml/readXml";
import { childOf, type Xml, type XmlNode, xml } from "./xml/xml";

/** A line of text, formulas as MathML that says its TeX beside; one that can't be set stays as it was typed. */
export const words = (text: string): XmlNode[] =>
  formulasIn(text).map((piece) => ("tex" in piece ? (mathOf(piece.tex) ?? `\\(${piece.tex}\\)`) : piece.text));

const MATHML = "http://www.w3.org/1998/Math/MathML";

function mathOf(tex: string): Xml | null {
  try {
    const document = readXml(new TextEncoder().encode(renderToString(tex, { output: "mathml" })));
    const math = document.ok ? childOf(document.root, "math") : undefined;
    // Reading took the namespace for known.
    return math ? { ...math, attributes: { ...math.attributes, xmlns: MATHML } } : null;
  } catch (error) {
    if (error instanceof ParseError) return null;
    throw error;
  }
}

/** A text in paragraphs, one a line. */
export const paragraphs = (text: string): Xml[] => text.split("\n").map((line) => xml("p", {}, ...words(line)));

/** A question as an interaction carries it; none where the stem says it all. */
export const prompt = (text: string | null): Xml[] => (text === null ? [] : [xml("qti-prompt", {}, ...words(text))]);

/** A question before an interaction that stands within a line. */
export const promptLine = (text: string | null): Xml[] =>
  text === null ? [] : [xml("p", { class: "oxbow-prompt" }, ...words(text))];
