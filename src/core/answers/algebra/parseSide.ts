import { rational } from "../../numeric/rational";
import type { AlgebraNode } from "./node";
import type { Token } from "./tokens";

/** More operations than a line of school work has, or deeper brackets, are refused before they are worked on. */
const MOST_NODES = 250;
const DEEPEST = 60;

/** How what can be meant in two ways is taken: the usual way, or the other. */
export interface ReadingChoice {
  /** "1/2x" is half of x; the other way, 1 over 2x. "√4x" is √4 times x; the other way, the root of 4x. "x^1/2" is half of x. */
  readonly reach: "usual" | "other";
  /** "1,200" is 1200; the other way, 1.2. */
  readonly mark: "usual" | "other";
}

export type ParsedSide =
  | {
      readonly node: AlgebraNode;
      /** What can be meant in two ways, and whether the usual way goes without asking. */
      readonly doubtfulReach: "none" | "slight" | "real";
      readonly doubtfulMark: boolean;
    }
  | { readonly unreadable: "not-readable" | "too-hard" };

class TooHard extends Error {}
class NotReadable extends Error {}

/**
 * Reads the pieces of one side into an expression: sums, products (also side by side), quotients, powers, brackets, bars, roots. A minus
 * before a power belongs to the whole power. Blanks say how far a slash reaches: "1/2 x" and "1 / 2x" are plain, "6/2x" is not.
 * Never throws; done in one pass.
 * @example parseSide(tokensOf("2(x + 3)"), { reach: "usual", mark: "usual" }).doubtfulReach // "none"
 */
export function parseSide(tokens: readonly Token[], choice: ReadingChoice): ParsedSide {
  const reader = new SideReader(tokens, choice);
  try {
    const node = reader.whole();
    return { node, doubtfulReach: reader.doubtfulReach, doubtfulMark: reader.doubtfulMark };
  } catch (problem) {
    if (problem instanceof TooHard) return { unreadable: "too-hard" };
    if (problem instanceof NotReadable) return { unreadable: "not-readable" };
    throw problem;
  }
}

class SideReader {
  doubtfulReach: "none" | "slight" | "real" = "none";
  doubtfulMark = false;
  private at = 0;
  private left = MOST_NODES;
  private depth = 0;
  private openBars = 0;

  constructor(
    private readonly tokens: readonly Token[],
    private readonly choice: ReadingChoice,
  ) {}

  whole(): AlgebraNode {
    const node = this.sum();
    if (this.at < this.tokens.length) throw new NotReadable();
    return node;
  }

  private get next(): Token | undefined {
    return this.tokens[this.at];
  }

  private takeSign(signs: string): string | null {
    const token = this.next;
    if (token?.kind !== "sign" || !signs.includes(token.sign)) return null;
    this.at++;
    return token.sign;
  }

  private made(node: AlgebraNode): AlgebraNode {
    if (--this.left < 0) throw new TooHard();
    return node;
  }

  private deeper(read: () => AlgebraNode): AlgebraNode {
    if (++this.depth > DEEPEST) throw new TooHard();
    const node = read();
    this.depth--;
    return node;
  }

  private sum(): AlgebraNode {
    let node = this.term();
    for (let sign = this.takeSign("+-"); sign; sign = this.takeSign("+-"))
      node = this.made({ kind: sign === "+" ? "sum" : "difference", left: node, right: this.term() });
    return node;
  }

  private term(): AlgebraNode {
    let node = this.signed();
    for (;;) {
      const slash = this.next;
      const sign = this.takeSign("*/");
      if (sign === "*") node = this.made({ kind: "product", left: node, right: this.signed() });
      else if (sign === "/") {
        const isOpen = slash?.blank === true || this.next?.blank === true;
        node = this.made({ kind: "quotient", left: node, right: this.divisor(node, isOpen) });
      } else if (this.startsFactor()) node = this.made({ kind: "product", left: node, right: this.power() });
      else return node;
    }
  }

  /** What stands under a slash, when more stands beside it: "/2x". Blanks tell; without any, it may be meant either way. */
  private divisor(above: AlgebraNode, isOpen: boolean): AlgebraNode {
    const first = this.signed();
    const beside = this.next;
    if (!beside || !this.startsFactor() || (beside.blank && !isOpen)) return first;
    if (!isOpen) {
      this.doubt(isPlainFraction(above, first) ? "slight" : "real");
      if (this.choice.reach === "usual") return first;
    }
    return this.joined(first);
  }

  /** A factor with all that stands side by side with it. */
  private joined(first: AlgebraNode): AlgebraNode {
    let node = first;
    while (this.startsFactor()) node = this.made({ kind: "product", left: node, right: this.power() });
    return node;
  }

  private doubt(degree: "slight" | "real"): void {
    if (this.doubtfulReach !== "real") this.doubtfulReach = degree;
  }

  private signed(): AlgebraNode {
    const sign = this.takeSign("+-");
    if (!sign) return this.power();
    const of = this.deeper(() => this.signed());
    return sign === "-" ? this.made({ kind: "negative", of }) : of;
  }

  private power(): AlgebraNode {
    const base = this.factor();
    if (!this.takeSign("^")) return base;
    const exponent = this.deeper(() => this.signed());
    return this.made({ kind: "power", left: base, right: this.fractionAbove(exponent) });
  }

  /** "x^1/2" can be meant as the power one half. */
  private fractionAbove(exponent: AlgebraNode): AlgebraNode {
    const [slash, under] = [this.next, this.tokens[this.at + 1]];
    const isTight = slash?.kind === "sign" && slash.sign === "/" && !slash.blank && under?.blank === false;
    if (exponent.kind !== "number" || !isTight || under?.kind !== "number") return exponent;
    this.doubt("real");
    if (this.choice.reach === "usual") return exponent;
    this.at++;
    return this.made({ kind: "quotient", left: exponent, right: this.factor() });
  }

  /** True when the next piece begins a factor that stands side by side with what was read; a number never does ("x2" may be a square). */
  private startsFactor(): boolean {
    const token = this.next;
    if (!token) return false;
    if (token.kind === "bar") return this.openBars === 0;
    return ["letter", "pi", "root", "absolute", "open"].includes(token.kind);
  }

  private factor(): AlgebraNode {
    const token = this.next;
    if (!token) throw new NotReadable();
    this.at++;
    switch (token.kind) {
      case "number":
        if (token.mark) this.doubtfulMark = true;
        return this.made({ kind: "number", value: (this.choice.mark === "other" && token.mark) || token.value });
      case "letter":
        return this.made({ kind: "unknown", name: token.name });
      case "pi":
        return this.made({ kind: "pi" });
      case "open":
        return this.enclosed("close");
      case "bar":
        return this.made({ kind: "absolute", of: this.enclosed("bar") });
      case "root":
      case "absolute":
        return this.made({ kind: token.kind, of: this.argument() });
      default:
        throw new NotReadable();
    }
  }

  private enclosed(end: "close" | "bar"): AlgebraNode {
    const bars = this.openBars;
    this.openBars = end === "bar" ? bars + 1 : 0;
    const node = this.deeper(() => this.sum());
    if (this.next?.kind !== end) throw new NotReadable();
    this.at++;
    this.openBars = bars;
    return node;
  }

  /** What a root sign reaches over: brackets, or one number or letter with its power; more beside it may be meant as well. */
  private argument(): AlgebraNode {
    const inBrackets = this.next?.kind === "open";
    const first = this.deeper(() => (inBrackets ? this.factor() : this.power()));
    const isJoined = this.next?.blank === false && this.startsFactor() && this.next.kind !== "root";
    if (inBrackets || !isJoined) return first;
    this.doubt("real");
    return this.choice.reach === "usual" ? first : this.joined(first);
  }
}

/** "1/2x" and "2/3(x + 1)" are halves and thirds to nearly everybody; "6/2x" or "x/2y" is not plain. */
function isPlainFraction(above: AlgebraNode, below: AlgebraNode): boolean {
  const top = above.kind === "negative" ? above.of : above;
  if (top.kind !== "number" || below.kind !== "number" || below.value.equals(0)) return false;
  const isWhole = top.value.d === 1n && below.value.d === 1n;
  return isWhole && below.value.n !== 1n && rational(top.value.n, below.value.n).d === below.value.n;
}
