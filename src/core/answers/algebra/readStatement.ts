import { rational } from "../../numeric/rational";
import { loneUnknown } from "./loneUnknown";
import type { AlgebraLine, AlgebraNode, AlgebraStatement, UnreadableAlgebra } from "./node";
import type { ReadingChoice } from "./parseSide";
import { type ReadChain, readChain } from "./readAlgebra";
import { readSolutionWords } from "./solutionWords";
import { tidyAlgebra } from "./tidyAlgebra";

/** An answer as it is usually meant, and as it can also be meant. */
export interface StatementReadings {
  readonly usual: AlgebraStatement;
  readonly others: readonly AlgebraStatement[];
  /** The usual reading goes without asking: "1/2x" is half of x. */
  readonly isUsualSure: boolean;
}

const USUAL: ReadingChoice = { reach: "usual", mark: "usual" };
/** A comma that parts a list: with a blank after it, or not between digits. */
const LIST_COMMA = /,(?=\s)|(?<!\d)\s*,|,(?!\d)/;
/** A comma between digits may part a list as well ("2,3"). */
const ANY_COMMA = /,/;
const JOINING = "(?<![a-z])(?:or|and)(?![a-z])";
const MOST_PARTS = 12;

/**
 * Reads a whole answer: one line, a chain, several joined by "or", "and", commas or semicolons, a list of values, "±", words such as
 * "no solution". `about`: the unknown that a relation without a left side ("> 3") is about. Says why a text cannot be read; never throws.
 * @example readStatement("x = 2 or x = -2").usual.length // 2
 */
export function readStatement(
  text: string,
  about = "x",
): StatementReadings | { readonly unreadable: UnreadableAlgebra } {
  const words = readSolutionWords(text);
  if (words) return { usual: [[wordLine(words)]], others: [], isUsualSure: true };
  const tidied = tidyAlgebra(text);
  if (tidied === "too-long") return { unreadable: "too-long" };
  if (tidied === null) return { unreadable: "not-readable" };
  if (tidied === "") return { unreadable: "empty" };
  const tidy = withoutBraces(tidied, text);
  const readAs = (choice: ReadingChoice, comma = LIST_COMMA) => readParts(tidy, comma, choice, about);
  const usual = readAs(USUAL);
  const asList = /\d,\d/.test(tidy) ? readAs(USUAL, ANY_COMMA) : null;
  const listed = asList && "statement" in asList ? [asList.statement] : [];
  if ("unreadable" in usual) {
    const [first, ...more] = listed;
    return first ? { usual: first, others: more, isUsualSure: true } : usual;
  }
  const choices: ReadingChoice[] = [
    ...(usual.doubtfulReach === "none" ? [] : [{ ...USUAL, reach: "other" as const }]),
    ...(usual.doubtfulMark ? [{ ...USUAL, mark: "other" as const }] : []),
  ];
  const others = choices.flatMap((choice) => {
    const other = readAs(choice);
    return "statement" in other ? [other.statement] : [];
  });
  return { usual: usual.statement, others: [...others, ...listed], isUsualSure: usual.doubtfulReach !== "real" };
}

const zero: AlgebraNode = { kind: "number", value: rational(0) };

/** Words as a line that holds for no number or for every one. */
const wordLine = (words: "none" | "every"): AlgebraLine => ({
  relation: "=",
  left: zero,
  right: words === "every" ? zero : { kind: "number", value: rational(1) },
});

/** "{2, -2}" is a list of values; braces around one part are brackets. */
function withoutBraces(tidy: string, text: string): string {
  return /^\s*\{.*[,;].*\}[\s.]*$/.test(text) ? tidy.slice(1, -1) : tidy;
}

type ReadParts = Omit<ReadChain, "lines"> & { readonly statement: AlgebraStatement };

function readParts(
  tidy: string,
  comma: RegExp,
  choice: ReadingChoice,
  about: string,
): ReadParts | { readonly unreadable: UnreadableAlgebra } {
  const texts = tidy
    .split(new RegExp(`${JOINING}|;|${comma.source}`, "i"))
    .map((part) => part.trim())
    .flatMap(bothSigns);
  if (texts.length > MOST_PARTS) return { unreadable: "too-hard" };
  const isOneOf = /(?<![a-z])or(?![a-z])|±/i.test(tidy);
  const chains: ReadChain[] = [];
  for (const text of texts) {
    const chain = readChain(/^[<>]/.test(text) ? `${about}${text}` : text, choice);
    if ("unreadable" in chain) return chain;
    chains.push(chain);
  }
  const reach = chains.map((chain) => chain.doubtfulReach);
  return {
    statement: joined(
      chains.map(({ lines }) => lines),
      isOneOf,
    ),
    doubtfulReach: reach.includes("real") ? "real" : reach.includes("slight") ? "slight" : "none",
    doubtfulMark: chains.some((chain) => chain.doubtfulMark),
  };
}

const bothSigns = (part: string): string[] =>
  part.includes("±") ? [part.replaceAll("±", "+"), part.replaceAll("±", "-")] : [part];

/**
 * Parts as alternatives or all at once: values and equations in one unknown are alternatives however they are joined ("2, -2", "x = 2 and
 * x = -2"), inequalities and equations in several unknowns hold together unless "or" stands between.
 */
function joined(parts: readonly (readonly AlgebraLine[])[], isOneOf: boolean): AlgebraStatement {
  const lead = parts[0]?.[0];
  const said = parts.map((lines) => lines.map((line) => withRelation(line, lead)));
  const lines = said.flat();
  const isList = lines.every(({ relation }) => relation === null || relation === "=");
  const names = new Set(lines.map((line) => loneUnknown(line)?.name));
  const isSystem = isList && names.size > 1 && lines.every((line) => line.right !== null);
  if (said.length === 1 || (!isSystem && (isOneOf || isList))) return said;
  return isOneOf ? said : [lines];
}

/** "x = 2 or 3": a value after an equation is another value of its unknown. */
function withRelation(line: AlgebraLine, lead: AlgebraLine | undefined): AlgebraLine {
  const lone = lead && lead !== line && lead.relation === "=" ? loneUnknown(lead) : null;
  if (line.right || !lone) return line;
  return { relation: "=", left: { kind: "unknown", name: lone.name }, right: line.left };
}
