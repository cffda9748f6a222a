"use client";
import { useEffect, useRef, useState } from "react";
import { ButtonLink } from "@/ui/primitives/Button";
import { cardSignInAction } from "../actions";

/** Where a card's code leads when any camera reads it: the token stands behind the #, so that no server log keeps it. */
export function CardEntry() {
  const [problem, setProblem] = useState<string | null>(null);
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current) return;
    begun.current = true;
    const token = location.hash.slice(1);
    // Out of the address bar and the history of a shared tablet.
    history.replaceState(null, "", location.pathname);
    cardSignInAction({ token }).then((result) => {
      if (!result.ok) setProblem(result.message);
    });
  }, []);
  return (
    <main className="mx-auto max-w-xl px-6 py-16 text-[20px]">
      {problem === null ? (
        <p role="status">Opening…</p>
      ) : (
        <div role="alert">
          <h1 className="mb-3 font-serif text-3xl">That did not work</h1>
          <p className="mb-6">{problem}</p>
          <ButtonLink look="main" size="big" href="/sign-in">
            Go in with the class code
          </ButtonLink>
        </div>
      )}
    </main>
  );
}
