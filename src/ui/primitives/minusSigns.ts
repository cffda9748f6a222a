/** A hyphen before a number that nothing but an opening or an operator precedes, or that stands between two spaced terms. */
const BEFORE_NUMBER = /(?<=^|[\s(=<>+×÷·:;,/~≈])[-‐‑](?=[\d.]*\d)/g;
const BETWEEN_TERMS = /(?<=[\d\p{L})] )-(?= [\d\p{L}(])/gu;
/** A dash between words is no subtraction. */
const WORDS = /^\p{L}{2,}$/u;

/**
 * Text with minus signs (U+2212) where mathematics has them: a hyphen is shorter and lower, and breaks from its number at
 * the end of a line. Hyphens within words and ranges of pages or days stay.
 */
export function minusSigns(text: string): string {
  return text.replace(BEFORE_NUMBER, "−").replace(BETWEEN_TERMS, (_, at: number) => {
    const left = text.slice(0, at - 1).match(/[\d\p{L})]+$/u)?.[0] ?? "";
    const right = text.slice(at + 2).match(/^[\d\p{L}(]+/u)?.[0] ?? "";
    return WORDS.test(left) && WORDS.test(right) ? "-" : "−";
  });
}
