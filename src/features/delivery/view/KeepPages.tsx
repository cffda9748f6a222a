"use client";
import { useEffect } from "react";

/** Lets this device keep the pages that its student opens, so that they open without a connection too. */
export function KeepPages({ personId }: { readonly personId: string }) {
  useEffect(() => {
    if (!("serviceWorker" in navigator)) return;
    void navigator.serviceWorker
      .register("/sw.js")
      .then(() => navigator.serviceWorker.ready)
      .then(({ active }) => active?.postMessage({ person: personId }))
      // A device that keeps nothing works as before, with a connection.
      .catch(() => {});
  }, [personId]);
  return null;
}

/** Whoever signs out leaves no page behind. */
export function forgetPages(): void {
  if ("serviceWorker" in navigator) navigator.serviceWorker.controller?.postMessage({ person: "" });
}
