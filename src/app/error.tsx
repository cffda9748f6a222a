"use client";
import { Button } from "@/ui/primitives/Button";

/** Where a page could not be made: what can be done. The cause stands in the log. */
export default function Failed({ reset }: { readonly error: Error; readonly reset: () => void }) {
  return (
    <div className="mx-auto max-w-xl px-6 py-16" role="alert">
      <h1 className="mb-3 font-serif text-2xl">This page could not be opened</h1>
      <p className="mb-6">
        Something failed on the way, and nothing was changed. Try again in a minute; if it stays so, tell whoever runs
        Oxbow.
      </p>
      <Button look="main" onClick={() => reset()}>
        Try again
      </Button>
    </div>
  );
}
