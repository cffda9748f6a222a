import { type Rational, rational } from "../../numeric/rational";
import { readDigits } from "../readDigits";

/** A piece of a tidied line; `blank` tells that a blank stands before it, which may say how it is meant. */
export type Token = { readonly blank: boolean } & (
  | { readonly kind: "number"; readonly value: Rational; readonly mark: Rational | null }
  | { readonly kind: "letter"; readonly name: string }
  | { readonly kind: "pi" | "root" | "absolute" | "open" | "close" | "bar" }
  | { readonly kind: "sign"; readonly sign: "+" | "-" | "*" | "/" | "^" }
);

const MIXED = /^(\d+) (\d+) ?\/ ?(\d+)(?![\d.,])/;
const DIGITS = /^(?:\d+(?:[.,]\d+|[ '’]\d{3}(?!\d))*|[.,]\d+)/;
/** A run of more letters is a word, and no product of unknowns. */
const LONGEST_RUN = 3;
const WORDS = { sqrt: "root", abs: "absolute", pi: "pi" } as const;
const SINGLE = { "(": "open", ")": "close", "|": "bar", "√": "root", π: "pi" } as const;

/**
 * The pieces of one side of a tidied line; null where a piece is none of school algebra. A number keeps what it is where its single
 * comma or point is taken the other way (`mark`).
 * @example tokensOf("2x + 1 1/2")?.length // 4
 */
export function tokensOf(side: string): Token[] | null {
  const found: Token[] = [];
  for (let at = 0; at < side.length; ) {
    const blank = side[at] === " ";
    if (blank) at++;
    const rest = side.slice(at);
    if (rest === "") break;
    const piece = numberAt(rest, blank) ?? lettersAt(rest, blank) ?? singleAt(rest, blank);
    if (!piece) return null;
    found.push(...piece.tokens);
    at += piece.length;
  }
  return found;
}

interface Piece {
  readonly tokens: readonly Token[];
  readonly length: number;
}

function numberAt(rest: string, blank: boolean): Piece | null {
  const mixed = MIXED.exec(rest);
  if (mixed) {
    const [all, whole = "0", top = "0", bottom = "1"] = mixed;
    if (BigInt(bottom) === 0n) return null;
    const value = rational(BigInt(top), BigInt(bottom)).add(rational(BigInt(whole)));
    return { tokens: [{ kind: "number", value, mark: null, blank }], length: all.length };
  }
  const digits = DIGITS.exec(rest)?.[0];
  const read = digits ? readDigits(digits) : null;
  if (!digits || !read) return null;
  return { tokens: [{ kind: "number", value: read.value, mark: read.other, blank }], length: digits.length };
}

function lettersAt(rest: string, blank: boolean): Piece | null {
  const run = /^[a-z]+/i.exec(rest)?.[0];
  if (!run) return null;
  const parts = run.split(/(sqrt|abs|pi)/i).filter((part) => part !== "");
  const isWord = (part: string): part is keyof typeof WORDS => part in WORDS;
  if (parts.some((part) => !isWord(part.toLowerCase()) && part.length > LONGEST_RUN)) return null;
  const tokens = parts.flatMap((part, place): Token[] => {
    const word = part.toLowerCase();
    if (isWord(word)) return [{ kind: WORDS[word], blank: blank && place === 0 }];
    return [...part].map((name, letter) => ({ kind: "letter", name, blank: blank && place === 0 && letter === 0 }));
  });
  return { tokens, length: run.length };
}

function singleAt(rest: string, blank: boolean): Piece | null {
  const sign = rest[0] ?? "";
  if (sign in SINGLE) return { tokens: [{ kind: SINGLE[sign as keyof typeof SINGLE], blank }], length: 1 };
  return /^[-+*/^]$/.test(sign) ? { tokens: [{ kind: "sign", sign: sign as "+", blank }], length: 1 } : null;
}
