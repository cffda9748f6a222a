import type { AlgebraLine, Relation, UnreadableAlgebra } from "./node";
import { parseSide, type ReadingChoice } from "./parseSide";
import { tidyAlgebra } from "./tidyAlgebra";
import { tokensOf } from "./tokens";

const RELATION = /<=|>=|=|<|>/g;

/** Lines joined as they stand ("1 < x < 5" gives two), with what in them can be meant in two ways. */
export interface ReadChain {
  readonly lines: readonly AlgebraLine[];
  readonly doubtfulReach: "none" | "slight" | "real";
  readonly doubtfulMark: boolean;
}

/**
 * Reads a line of algebra as a student types it: exact numbers, mixed ones too, one-letter unknowns, + - * / ^, brackets, bars, roots,
 * pi, and at most one of = < <= > >=. Nothing in it is ever run. What can be meant in two ways is taken in the usual one. Says why a text cannot be
 * read; never throws.
 * @example readAlgebra("2x = ").unreadable // "not-readable"
 */
export function readAlgebra(text: string): AlgebraLine | { readonly unreadable: UnreadableAlgebra } {
  const tidy = tidyAlgebra(text);
  if (tidy === "too-long") return { unreadable: "too-long" };
  if (tidy === null) return { unreadable: "not-readable" };
  if (tidy === "") return { unreadable: "empty" };
  if ((tidy.match(RELATION) ?? []).length > 1) return { unreadable: "two-relations" };
  const chain = readChain(tidy, { reach: "usual", mark: "usual" });
  if ("unreadable" in chain) return chain;
  return chain.lines[0] ?? { unreadable: "not-readable" };
}

/**
 * Reads a tidied part of an answer: an expression, a line, or a chain whose relations point one way ("1 < x < 5", "x = 3 + 2 = 5").
 * @example readChain("1 < x < 5", { reach: "usual", mark: "usual" }).lines.length // 2
 */
export function readChain(tidy: string, choice: ReadingChoice): ReadChain | { readonly unreadable: UnreadableAlgebra } {
  const relations = tidy.match(RELATION) ?? [];
  if (new Set(relations.map((relation) => relation[0])).size > 1) return { unreadable: "two-relations" };
  const sides = tidy.split(RELATION).map((text) => {
    const tokens = tokensOf(text.trim());
    if (!tokens || tokens.length === 0) return { unreadable: "not-readable" as const };
    return parseSide(tokens, choice);
  });
  const read = sides.flatMap((side) => ("node" in side ? [side] : []));
  const problem = sides.find((side) => "unreadable" in side);
  if (problem && "unreadable" in problem) return { unreadable: problem.unreadable };
  const [first] = read;
  if (!first) return { unreadable: "not-readable" };
  const lines: AlgebraLine[] =
    relations.length === 0
      ? [{ relation: null, left: first.node, right: null }]
      : relations.map((relation, place) => ({
          relation: relation as Relation,
          left: read[place]?.node ?? first.node,
          right: read[place + 1]?.node ?? first.node,
        }));
  const isDoubtful = (degree: "slight" | "real") => read.some((side) => side.doubtfulReach === degree);
  return {
    lines,
    doubtfulReach: isDoubtful("real") ? "real" : isDoubtful("slight") ? "slight" : "none",
    doubtfulMark: read.some((side) => side.doubtfulMark),
  };
}
