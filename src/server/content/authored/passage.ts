import "server-only";

/** A passage as an author writes it: paragraphs are divided by empty lines. */
export interface AuthoredPassage {
  readonly title: string;
  readonly topic: string;
  /** The grade that it is written for; nobody but staff is told. */
  readonly grade: number;
  readonly text: string;
}

export const passageOf = (id: string, { title, topic, grade, text }: AuthoredPassage) => ({
  id,
  title,
  topic,
  grade,
  paragraphs: text
    .split(/\n\s*\n/)
    .map((paragraph) => paragraph.replace(/\s+/g, " ").trim())
    .filter((paragraph) => paragraph !== ""),
});
