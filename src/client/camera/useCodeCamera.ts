"use client";
import jsQR from "jsqr";
import { type RefObject, useEffect, useRef, useState } from "react";

/** Milliseconds between two looks at the camera's picture. */
const LOOK_EVERY = 200;
/** Pictures are looked at no wider than this: what is held to a camera is large. */
const WIDTH = 480;

export interface CodeCamera {
  readonly video: RefObject<HTMLVideoElement | null>;
  /** "none": no camera can be used here. */
  readonly state: "asking" | "looking" | "none";
}

/** Looks at the camera's picture for square codes and tells what each says. Nothing of the picture leaves the device. */
export function useCodeCamera(facing: "user" | "environment", tell: (text: string) => void): CodeCamera {
  const video = useRef<HTMLVideoElement>(null);
  const [state, setState] = useState<CodeCamera["state"]>("asking");
  const told = useRef(tell);
  told.current = tell;
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    let over = false;
    const canvas = document.createElement("canvas");
    const look = () => {
      const own = video.current;
      if (!own || own.videoWidth === 0) return;
      const scale = Math.min(1, WIDTH / own.videoWidth);
      canvas.width = own.videoWidth * scale;
      canvas.height = own.videoHeight * scale;
      const context = canvas.getContext("2d", { willReadFrequently: true });
      context?.drawImage(own, 0, 0, canvas.width, canvas.height);
      const picture = context?.getImageData(0, 0, canvas.width, canvas.height);
      const found = picture ? jsQR(picture.data, picture.width, picture.height) : null;
      if (found) told.current(found.data);
    };
    (navigator.mediaDevices?.getUserMedia({ video: { facingMode: facing } }) ?? Promise.reject(new Error("no camera")))
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
  }, [facing]);
  return { video, state };
}
