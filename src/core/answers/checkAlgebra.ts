import { loneUnknown } from "./algebra/loneUnknown";
import type { AlgebraNode, AlgebraStatement, UnreadableAlgebra } from "./algebra/node";
import { readStatement } from "./algebra/readStatement";
import { sameStatement } from "./algebra/sameStatement";
import { unknownsOf } from "./algebra/unknownsOf";
import { type AlgebraForm, isWrittenAs } from "./algebra/writtenForm";

export type AlgebraProblem = UnreadableAlgebra | "two-readings" | "other-letters" | "not-solved" | "not-collected";

export type AlgebraCheck =
  | { readonly verdict: "right" | "wrong" }
  | { readonly verdict: "unreadable"; readonly reason: AlgebraProblem };

/**
 * Checks a typed expression, equation, inequality or list of solutions against the key: right when they say the same, in the form
 * asked for. A value alone answers an equation ("5" for "x = 5"). "unreadable" is not scored, and can be mended: what is right only as it can
 * also be meant, right in another form, or of other letters than the key; "too-hard" stands for what cannot be decided. The key itself
 * must be readable, or everything is too hard.
 * @example checkAlgebra("2(x + 1)", "2x + 2") // { verdict: "right" }
 */
export function checkAlgebra(answer: string, key: string, form: AlgebraForm = "any"): AlgebraCheck {
  const keyRead = readStatement(key);
  const asked = "unreadable" in keyRead ? null : keyRead.usual;
  const given = readStatement(answer, (asked && questionUnknown(asked)) ?? "x");
  if ("unreadable" in given) return unreadable(given.unreadable);
  if (!asked) return unreadable("too-hard");
  const readings = [given.usual, ...given.others].map((reading) => inLettersOf(reading, asked));
  const fitted = readings.map((reading) => fittedTo(reading, asked));
  const verdicts = fitted.map(({ said, wanted }) => sameStatement(said, wanted));
  const [usual, ...others] = verdicts;
  const isAgreed = others.every((verdict) => verdict === usual);
  if (usual === true && (given.isUsualSure || isAgreed)) {
    const isForm = isWrittenAs(fitted[0]?.said ?? [], form, questionUnknown(asked));
    return isForm ? { verdict: "right" } : unreadable(form === "solved" ? "not-solved" : "not-collected");
  }
  if (verdicts.includes(true)) return unreadable("two-readings");
  if (usual === null) return unreadable("too-hard");
  return hasOtherLetters(fitted[0]?.said ?? [], asked) ? unreadable("other-letters") : { verdict: "wrong" };
}

const unreadable = (reason: AlgebraProblem): AlgebraCheck => ({ verdict: "unreadable", reason });

const lettersOf = (of: AlgebraStatement): string[] => [
  ...new Set(of.flat().flatMap(({ left, right }) => [...unknownsOf(left), ...(right ? unknownsOf(right) : [])])),
];

const hasOtherLetters = (said: AlgebraStatement, asked: AlgebraStatement): boolean => {
  const known = lettersOf(asked);
  // A relation that holds for all numbers or none has no letters to go by.
  const isAnyLetter = known.length === 0 && asked.flat().some(({ right }) => right !== null);
  return !isAnyLetter && lettersOf(said).some((letter) => !known.includes(letter));
};

/** The unknown that a key is solved for, or its only one; null for an expression, or where there are several. */
function questionUnknown(key: AlgebraStatement): string | null {
  const lines = key.flat();
  if (lines.some(({ right }) => right === null)) return null;
  const lone = lines.map((line) => loneUnknown(line)?.name ?? null);
  const letters = lettersOf(key);
  if (letters.length === 1) return letters[0] ?? null;
  return lone.length === 1 ? (lone[0] ?? null) : null;
}

/** A keyboard may write "X" for "x": where the key has only one of the two, that one is meant. */
function inLettersOf(said: AlgebraStatement, key: AlgebraStatement): AlgebraStatement {
  const known = lettersOf(key);
  const own = lettersOf(said);
  const meant = (name: string): string => {
    const turned = name === name.toLowerCase() ? name.toUpperCase() : name.toLowerCase();
    return !known.includes(name) && known.includes(turned) && !own.includes(turned) ? turned : name;
  };
  const walk = (node: AlgebraNode): AlgebraNode => {
    if (node.kind === "unknown") return { kind: "unknown", name: meant(node.name) };
    if ("of" in node) return { ...node, of: walk(node.of) };
    return "left" in node ? { ...node, left: walk(node.left), right: walk(node.right) } : node;
  };
  return said.map((lines) =>
    lines.map((line) => ({ ...line, left: walk(line.left), right: line.right && walk(line.right) })),
  );
}

/** A value that answers an equation is one of its unknown; an equation that answers an expression names it ("A = 12"). */
function fittedTo(
  said: AlgebraStatement,
  wanted: AlgebraStatement,
): { readonly said: AlgebraStatement; readonly wanted: AlgebraStatement } {
  const unknown = questionUnknown(wanted);
  const isValue = said
    .flat()
    .every(({ left, right }) => right === null && !(unknown && unknownsOf(left).includes(unknown)));
  if (unknown && isValue) {
    const left: AlgebraNode = { kind: "unknown", name: unknown };
    return { said: said.map((lines) => lines.map((line) => ({ relation: "=", left, right: line.left }))), wanted };
  }
  const isExpression = wanted.flat().every(({ right }) => right === null);
  const [line, ...more] = said.flat();
  const lone = line?.relation === "=" && more.length === 0 ? loneUnknown(line) : null;
  if (isExpression && lone && !lettersOf(wanted).includes(lone.name))
    return { said: [[{ relation: null, left: lone.value, right: null }]], wanted };
  return { said, wanted };
}
