"use client";
import "katex/dist/katex.min.css";
import { render } from "katex";
import { useEffect, useRef } from "react";

/** A formula in TeX as it is set, with MathML for those who hear it; one that can't be read stays as it was typed. */
export function SetFormula({ tex }: { readonly tex: string }) {
  const place = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    if (place.current) render(tex, place.current, { throwOnError: false });
  }, [tex]);
  return <span ref={place}>{tex}</span>;
}
