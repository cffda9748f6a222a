"use client";
import { useRef, useState, useTransition } from "react";
import { useCodeCamera } from "@/client/camera/useCodeCamera";
import { Button } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { cardSignInAction } from "../actions";

/** The token in what a printed code says; null for a code that is none of ours. */
const tokenOf = (text: string) => /\/card#([\w-]{22})$/.exec(text)?.[1] ?? null;

/** Signs in with a card held to the camera. */
export function CardReader({ close }: { readonly close: () => void }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const taken = useRef<string | null>(null);
  const { video, state } = useCodeCamera("user", (text) => {
    if (taken.current) return;
    const token = tokenOf(text);
    if (!token) {
      setProblem("This is no sign-in card of Oxbow. Hold the square code of your own card to the camera.");
      return;
    }
    taken.current = token;
    start(async () => {
      const result = await cardSignInAction({ token });
      if (result.ok) return;
      setProblem(result.message);
      // The same card is tried again only after a pause, so that it can be taken away.
      setTimeout(() => {
        taken.current = null;
      }, 3000);
    });
  });
  return (
    <div>
      <h1 className="mb-3 font-serif text-3xl">Show your card</h1>
      {state === "none" ? (
        <p className="text-lg">
          No camera can be used here. Point another tablet's camera at the code, or go in with your class code and PIN.
        </p>
      ) : (
        <>
          <p className="mb-3 text-lg">
            {busy
              ? "Opening…"
              : state === "asking"
                ? "Allow the camera when you are asked."
                : "Hold the square code up."}
          </p>
          <video
            ref={video}
            muted
            playsInline
            aria-label="What the camera sees"
            className="border-ink bg-bank aspect-[4/3] w-full -scale-x-100 border-2 object-cover"
          />
        </>
      )}
      <Problem text={problem} />
      <Button size="big" className="mt-4 w-full" onClick={close}>
        Class code instead
      </Button>
    </div>
  );
}
