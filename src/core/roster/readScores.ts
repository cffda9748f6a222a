import { bareName } from "./bareName";
import { findPastedNames } from "./findPastedNames";

/** A score as it was written: points, and of how many where that was said; a percentage is of 100. */
export interface WrittenScore {
  readonly score: number;
  readonly outOf: number | null;
}

/** One line of a list of scores: whom it means, and what stands in each column of scores. */
export interface ScoreLine {
  readonly name: string;
  /** Ids of the students it fits: one when it is clear. */
  readonly ids: readonly string[];
  /** The name that was likely meant where none fits. */
  readonly meant: string | null;
  readonly scores: readonly (WrittenScore | null)[];
}

export interface ScoreTable {
  /** Names of the columns of scores; empty where none was given. */
  readonly columns: readonly string[];
  readonly lines: readonly ScoreLine[];
  /** What stands in a column of scores and is none, each once. */
  readonly unread: readonly string[];
}

interface Known {
  readonly id: string;
  readonly name: string;
  readonly studentNumber: string;
}

const SCORE = /^(\d+(?:[.,]\d+)?)\s*(?:(%)|\/\s*(\d+(?:[.,]\d+)?))?$/;
/** A line without any delimiter: a name, and scores at its end. */
const NAME_AND_SCORES = /^(.*?\p{L}\S*)((?:\s+\d[\d.,]*(?:%|\/\d+)?)+)$/u;

/**
 * A score as people write it: 14, 14.5, 14,5, 14/20 or 70 %.
 * @example readScore("14/20") // { score: 14, outOf: 20 }
 */
export function readScore(cell: string): WrittenScore | null {
  const found = SCORE.exec(cell.trim());
  if (!found) return null;
  const number = (text: string | undefined) => (text === undefined ? null : Number(text.replace(",", ".")));
  const [score, outOf] = [number(found[1]) ?? 0, found[2] ? 100 : number(found[3])];
  return outOf !== null && (outOf === 0 || score > outOf) ? null : { score, outOf };
}

/**
 * Reads a table of names and scores: names (or student numbers) stand in the columns before the first that mostly holds scores. The first row
 * names the columns where it holds no score itself.
 * @example readScores([["Name", "Ratio"], ["Ada Quill", "14"]], [{ id: "1", name: "Ada Quill", studentNumber: "N1" }]).lines[0]?.ids // ["1"]
 */
export function readScores(rows: readonly (readonly string[])[], students: readonly Known[]): ScoreTable {
  const cells = rows.map(splitLine);
  const width = Math.max(0, ...cells.map((row) => row.length));
  const numbers = new Set(students.map(({ studentNumber }) => bareName(studentNumber)));
  const isNumberOf = (cell: string) => cell !== "" && numbers.has(bareName(cell));
  const hold = (place: number) => cells.slice(1).flatMap((row) => (row[place]?.trim() ? [row[place]] : []));
  const mostly = (place: number, is: (cell: string) => boolean) =>
    hold(place).length > 0 && 2 * hold(place).filter(is).length >= hold(place).length;
  const isOfScores = (place: number) => mostly(place, (cell) => readScore(cell) !== null) && !mostly(place, isNumberOf);
  const scored = Array.from({ length: width }, (_, place) => place).filter(isOfScores);
  const [first = width] = scored;
  const [head = []] = cells;
  const named = scored.every((place) => readScore(head[place] ?? "") === null);
  const body = (named ? cells.slice(1) : cells).filter((row) => row.some((cell) => cell.trim() !== ""));
  const texts = body.flatMap((row) => scored.map((place) => row[place]?.trim() ?? ""));
  return {
    columns: scored.map((place) => (named ? (head[place]?.trim() ?? "") : "")),
    lines: body.map((row) => ({
      ...whose(row.slice(0, first), students, isNumberOf),
      scores: scored.map((place) => readScore(row[place] ?? "")),
    })),
    unread: [...new Set(texts.filter((text) => text !== "" && readScore(text) === null))],
  };
}

function splitLine(row: readonly string[]): readonly string[] {
  const [only = ""] = row;
  const found = row.length === 1 ? NAME_AND_SCORES.exec(only.trim()) : null;
  return found ? [found[1] ?? "", ...(found[2] ?? "").trim().split(/\s+/)] : row;
}

/** Whom the cells before the scores mean: by number, by all of them together, turned round, or by one of them. */
function whose(
  cells: readonly string[],
  students: readonly Known[],
  isNumberOf: (cell: string) => boolean,
): Pick<ScoreLine, "name" | "ids" | "meant"> {
  const filled = cells.map((cell) => cell.trim()).filter((cell) => cell !== "");
  const words = filled.filter((cell) => /\p{L}/u.test(cell));
  const asked = [...filled.filter(isNumberOf), words.join(" "), [...words].reverse().join(" "), ...words];
  const found = asked.filter((text) => text !== "").map((text) => findPastedNames(text, students));
  const [best] = [...found].sort((x, y) => clearness(y) - clearness(x));
  const [one] = best?.length === 1 ? best : [];
  return { name: filled.join(" "), ids: one?.ids ?? [], meant: one?.meant ?? null };
}

const clearness = (names: readonly { readonly ids: readonly string[] }[]): number =>
  names.length !== 1 ? 0 : names[0]?.ids.length === 1 ? 3 : (names[0]?.ids.length ?? 0) > 1 ? 2 : 1;
