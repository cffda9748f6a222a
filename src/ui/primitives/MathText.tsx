import katex from "katex";
import { minusSigns } from "./minusSigns";

/** A whole number and a fraction, or a fraction alone, as plain text has it: "1 3/4", "3/4". */
const FRACTION = /(?:(?<![\d.])(\d+) )?(?<![\d./])(\d+)\/(\d+)(?![\d/])/g;

/** Text with fractions set as fractions, for which screen readers get MathML, and with minus signs. */
export function MathText({ text: plain }: { readonly text: string }) {
  const text = minusSigns(plain);
  const parts: { readonly at: number; readonly text?: string; readonly tex?: string }[] = [];
  let last = 0;
  for (const match of text.matchAll(FRACTION)) {
    if (match.index > last) parts.push({ at: last, text: text.slice(last, match.index) });
    parts.push({ at: match.index, tex: `${match[1] ?? ""}\\tfrac{${match[2]}}{${match[3]}}` });
    last = match.index + match[0].length;
  }
  if (last < text.length) parts.push({ at: last, text: text.slice(last) });
  return (
    <>
      {parts.map((part) =>
        part.tex === undefined ? (
          <span key={part.at}>{part.text}</span>
        ) : (
          <span
            key={part.at}
            className="text-[1.12em]"
            dangerouslySetInnerHTML={{ __html: katex.renderToString(part.tex, { throwOnError: false }) }}
          />
        ),
      )}
    </>
  );
}
