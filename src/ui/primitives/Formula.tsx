"use client";
import { useEffect, useRef, useState } from "react";

/** A formula in TeX, set as MathML once the package that sets it is there; until then, and where it can't be read, as it was typed. */
export function Formula({ tex }: { readonly tex: string }) {
  const place = useRef<HTMLSpanElement>(null);
  const [isSet, setIsSet] = useState(false);
  useEffect(() => {
    let isWanted = true;
    void import("katex").then(({ default: katex }) => {
      if (!isWanted || !place.current) return;
      katex.render(tex, place.current, { output: "mathml", throwOnError: false });
      setIsSet(true);
    });
    return () => {
      isWanted = false;
    };
  }, [tex]);
  return (
    <>
      {isSet ? null : <span>{tex}</span>}
      <span ref={place} />
    </>
  );
}
