import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { expect, it } from "vitest";
import { MathText } from "@/ui/primitives/MathText";

const html = (text: string) => renderToStaticMarkup(createElement(MathText, { text })).replace(/<\/?span>/g, "");
const fraction = (n: number, d: number, whole = "") =>
  `<math><mrow>${whole}<mfrac><mn>${n}</mn><mn>${d}</mn></mfrac></mrow></math>`;

it.each([
  ["3/4 of 12", `${fraction(3, 4)} of 12`],
  ["He ate 1 3/4 pies.", `He ate ${fraction(3, 4, "<mn>1</mn>")} pies.`],
  ["2/3 = 8/12", `${fraction(2, 3)} = ${fraction(8, 12)}`],
  // A day, a decimal and a chain are no fractions.
  ["on 3/4/2026", "on 3/4/2026"],
  ["1.5/2", "1.5/2"],
  ["no numbers", "no numbers"],
])("%s", (text, expected) => {
  expect(html(text)).toBe(expected);
});
