import { nearest } from "./nearest";

export interface PastedName {
  readonly text: string;
  /** Ids of the students it fits: one when it is clear, several when it is not, none when nobody has it. */
  readonly ids: readonly string[];
  /** The name that was likely meant where none fits. */
  readonly meant: string | null;
}

/**
 * Finds students by pasted names, one a line or with commas or tabs between: "Given Family", "Family, Given" (one a line
 * only), a given name that only one has, "Given F", or a student number. Case, accents and spaces do not count.
 * @example findPastedNames("Ada Quill", [{ id: "1", name: "Ada Quill", studentNumber: "N1" }]) // [{ text: "Ada Quill", ids: ["1"], meant: null }]
 */
export function findPastedNames(
  pasted: string,
  students: readonly { readonly id: string; readonly name: string; readonly studentNumber: string }[],
): PastedName[] {
  const lines = pasted
    .split(/[\n;\t]+/)
    .map((line) => line.replace(/^[\s\d.)*•-]+(?=\p{L})/u, "").trim())
    .filter((line) => line !== "");
  return lines.flatMap((line) => {
    const whole = find(line, students);
    const [family, given, ...more] = line.split(",").map((part) => part.trim());
    if (whole.ids.length > 0 || given === undefined) return [whole];
    const turned = find(`${given} ${family}`, students);
    if (more.length === 0 && turned.ids.length > 0) return [{ ...turned, text: line }];
    return line.split(",").flatMap((part) => (part.trim() === "" ? [] : [find(part.trim(), students)]));
  });
}

function find(
  text: string,
  students: readonly { readonly id: string; readonly name: string; readonly studentNumber: string }[],
): PastedName {
  const wanted = bare(text);
  const tests: ((name: string, number: string) => boolean)[] = [
    (name) => name === wanted,
    (_, number) => bare(number) === wanted && wanted !== "",
    (name) => name.startsWith(`${wanted} `),
    (name) => wanted.includes(" ") && name.startsWith(wanted),
  ];
  for (const test of tests) {
    const ids = students.filter(({ name, studentNumber }) => test(bare(name), studentNumber)).map(({ id }) => id);
    if (ids.length > 0) return { text, ids, meant: null };
  }
  return {
    text,
    ids: [],
    meant: nearest(
      text,
      students.map(({ name }) => name),
    ),
  };
}

const bare = (text: string) =>
  text
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[.\s]+/g, " ")
    .trim();
