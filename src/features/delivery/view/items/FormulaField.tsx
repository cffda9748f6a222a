"use client";
import "mathlive/fonts.css";
import { convertAsciiMathToLatex, MathfieldElement } from "mathlive";
import { useEffect, useRef } from "react";

// Its fonts come with the page's styles, and it makes no sound.
MathfieldElement.fontsDirectory = null;
MathfieldElement.soundsDirectory = null;

/** A field in which a formula is set while it is typed; `set` hears it as plain text. What is typed elsewhere later stays unknown to it. */
export function FormulaField({
  label,
  value,
  set,
}: {
  readonly label: string;
  readonly value: string;
  readonly set: (text: string) => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const first = useRef({ label, value });
  const latest = useRef(set);
  latest.current = set;
  useEffect(() => {
    const field = new MathfieldElement();
    field.setAttribute("aria-label", first.current.label);
    field.value = convertAsciiMathToLatex(first.current.value);
    field.addEventListener("input", () => latest.current(plainText(field.getValue("ascii-math"))));
    place.current?.replaceChildren(field);
    field.focus();
    return () => field.remove();
  }, []);
  return (
    <div
      ref={place}
      className="[&_math-field]:block [&_math-field]:border-0 [&_math-field]:bg-transparent [&_math-field::part(menu-toggle)]:hidden"
    />
  );
}

/** What the element says, as somebody would type it. */
const plainText = (said: string): string =>
  said
    .replace(/\bleq?\b/g, "<=")
    .replace(/\bgeq?\b/g, ">=")
    .replace(/\bxx\b/g, "*")
    .replace(/\s+/g, " ")
    .trim();
