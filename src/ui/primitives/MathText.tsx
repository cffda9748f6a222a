import { createElement } from "react";
import { formulasIn } from "@/core/model/formula";
import { Formula } from "./Formula";
import { minusSigns } from "./minusSigns";

/** A whole number and a fraction, or a fraction alone, as plain text has it: "1 3/4", "3/4". */
const FRACTION = /(?:(?<![\d.])(\d+) )?(?<![\d./])(\d+)\/(\d+)(?![\d/])/g;

/**
 * Text with fractions set as fractions (MathML, which browsers and screen readers know by themselves), with minus signs, and with the
 * formulas that stand between \\( and \\).
 */
export function MathText({ text }: { readonly text: string }) {
  if (!text.includes("\\(")) return <PlainMath text={text} />;
  return formulasIn(text).map((piece, place) =>
    "tex" in piece ? <Formula key={place} tex={piece.tex} /> : <PlainMath key={place} text={piece.text} />,
  );
}

function PlainMath({ text: plain }: { readonly text: string }) {
  const text = minusSigns(plain);
  const parts: { readonly at: number; readonly text?: string; readonly fraction?: Fraction }[] = [];
  let last = 0;
  for (const match of text.matchAll(FRACTION)) {
    if (match.index > last) parts.push({ at: last, text: text.slice(last, match.index) });
    const [, whole, numerator = "", denominator = ""] = match;
    parts.push({ at: match.index, fraction: { whole, numerator, denominator } });
    last = match.index + match[0].length;
  }
  if (last < text.length) parts.push({ at: last, text: text.slice(last) });
  return (
    <>
      {parts.map((part) =>
        part.fraction ? <Fraction key={part.at} {...part.fraction} /> : <span key={part.at}>{part.text}</span>,
      )}
    </>
  );
}

interface Fraction {
  readonly whole?: string | undefined;
  readonly numerator: string;
  readonly denominator: string;
}

const number = (text: string) => createElement("mn", {}, text);

/** React's types know no element of MathML but the outermost; React itself makes them all. */
function Fraction({ whole, numerator, denominator }: Fraction) {
  const fraction = createElement("mfrac", {}, number(numerator), number(denominator));
  return createElement("math", {}, createElement("mrow", {}, whole === undefined ? null : number(whole), fraction));
}
