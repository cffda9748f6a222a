"use client";
import jsQR from "jsqr";
import { useEffect, useRef, useState, useTransition } from "react";
import { Button } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { cardSignInAction } from "../actions";

/** Milliseconds between two looks at the camera's picture. */
const LOOK_EVERY = 200;
/** Pictures are looked at no wider than this: a card held to a camera is large. */
const WIDTH = 480;

/** The token in what a printed code says; null for a code that is none of ours. */
const tokenOf = (text: string) => /\/card#([\w-]{22})$/.exec(text)?.[1] ?? null;

/** Signs in with a card held to the camera. Nothing of the picture leaves the device. */
export function CardReader({ close }: { readonly close: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [state, setState] = useState<"asking" | "looking" | "none">("asking");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const taken = useRef<string | null>(null);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    let over = false;
    const canvas = document.createElement("canvas");
    const look = () => {
      const own = video.current;
      if (!own || own.videoWidth === 0 || taken.current) return;
      const scale = Math.min(1, WIDTH / own.videoWidth);
      canvas.width = own.videoWidth * scale;
      canvas.height = own.videoHeight * scale;
      const context = canvas.getContext("2d", { willReadFrequently: true });
      context?.drawImage(own, 0, 0, canvas.width, canvas.height);
      const picture = context?.getImageData(0, 0, canvas.width, canvas.height);
      const found = picture ? jsQR(picture.data, picture.width, picture.height) : null;
      if (!found) return;
      const token = tokenOf(found.data);
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
    };
    (navigator.mediaDevices?.getUserMedia({ video: { facingMode: "user" } }) ?? Promise.reject(new Error("no camera")))
      .then(async (opened) => {
        stream = opened;
        if (over) {
          for (const track of opened.getTracks()) track.stop();
          return;
        }
        if (video.current) {
          video.current.srcObject = opened;
          await video.current.play();
        }
        setState("looking");
        timer = setInterval(look, LOOK_EVERY);
      })
      .catch(() => setState("none"));
    return () => {
      over = true;
      clearInterval(timer);
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
  }, []);
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
