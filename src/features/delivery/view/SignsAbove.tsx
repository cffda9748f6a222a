"use client";
import { Button } from "@/ui/primitives/Button";
import type { LineView } from "../types";
import type { Signs } from "./useSigns";

/** Above the work: lines from the teacher, and that it is held up. */
export function SignsAbove({ signs }: { readonly signs: Signs }) {
  return (
    <>
      <Lines lines={signs.lines} read={signs.read} />
      {signs.paused ? (
        <div
          role="alertdialog"
          aria-modal="true"
          aria-label="Paused"
          className="bg-paper fixed inset-0 z-40 flex flex-col items-center justify-center px-8 text-center"
        >
          <p className="font-serif text-[36px]">Paused</p>
          <p className="mt-3 max-w-120 text-[20px]">
            Your teacher has paused this work. Everything you wrote is kept. It goes on by itself.
          </p>
        </div>
      ) : null}
    </>
  );
}

/** Lines from teachers, each there until it is read. */
export function Lines({ lines, read }: { readonly lines: readonly LineView[]; readonly read: (id: string) => void }) {
  if (lines.length === 0) return null;
  return (
    <ul aria-live="polite" className="mx-5 mt-3 space-y-2 sm:mx-12">
      {lines.map(({ id, from, text }) => (
        <li
          key={id}
          className="bg-bank flex flex-wrap items-center justify-between gap-x-4 gap-y-2 px-4 py-3 text-[18px]"
        >
          <span>
            {text} <span className="text-mute text-[16px]">{from}</span>
          </span>
          <Button onClick={() => read(id)}>Read</Button>
        </li>
      ))}
    </ul>
  );
}
