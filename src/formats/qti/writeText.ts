import { type Xml, xml } from "./xml/xml";

/** A text in paragraphs, one a line. */
export const paragraphs = (text: string): Xml[] =>
  text.split("\n").map((line) => xml("p", {}, ...(line === "" ? [] : [line])));

/** A question as an interaction carries it; none where the stem says it all. */
export const prompt = (text: string | null): Xml[] => (text === null ? [] : [xml("qti-prompt", {}, text)]);

/** A question before an interaction that stands within a line. */
export const promptLine = (text: string | null): Xml[] =>
  text === null ? [] : [xml("p", { class: "oxbow-prompt" }, text)];
