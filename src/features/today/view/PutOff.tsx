"use client";
import { Clock } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { useTransition } from "react";
import { sayDone, sayProblem } from "@/client/notices";
import { Button } from "@/ui/primitives/Button";
import { bringBackLineAction, putOffLineAction } from "../actions";
import type { PutOffFor, ShownLine } from "../types";

const CHOICES: readonly (readonly [PutOffFor, string, string])[] = [
  ["next-day", "Until the next school day", "It comes back on the next school day."],
  ["week", "For five school days", "It comes back in five school days."],
  ["until-changed", "Until something changes", "It comes back once it says something else."],
];

/** Puts a line off: for a while, or for as long as nothing new comes of it. */
export function PutOff({ line }: { readonly line: Pick<ShownLine, "key" | "said" | "what"> }) {
  const [busy, start] = useTransition();
  const { key, said } = line;
  const putOff = (how: PutOffFor, words: string) =>
    start(async () => {
      const result = await putOffLineAction({ key, said, how });
      if (!result.ok) return sayProblem(result.message);
      sayDone(`Put off. ${words}`, async () => {
        const back = await bringBackLineAction({ key });
        return back.ok ? { ok: true, data: "it stands in Today again" } : back;
      });
    });
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        disabled={busy}
        aria-label={`Put off: ${line.what}`}
        title="Put off"
        className="text-mute hover:text-ink no-print grid min-h-8 w-8 place-items-center"
      >
        <Clock size={17} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="bg-paper border-ink z-50 min-w-56 border-[1.5px] p-1.5 text-[15px] shadow-lg"
        >
          <DropdownMenu.Label className="text-mute px-3 py-1 text-[14px]">Put it off</DropdownMenu.Label>
          {CHOICES.map(([how, label, words]) => (
            <DropdownMenu.Item
              key={how}
              className="data-highlighted:bg-bank cursor-pointer px-3 py-1.5 outline-none"
              onSelect={() => putOff(how, words)}
            >
              {label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** Brings a line back at once. */
export function BringBack({ lineKey }: { readonly lineKey: string }) {
  const [busy, start] = useTransition();
  const bringBack = () =>
    start(async () => {
      const result = await bringBackLineAction({ key: lineKey });
      if (!result.ok) sayProblem(result.message);
    });
  return (
    <Button look="quiet" disabled={busy} onClick={bringBack}>
      Bring it back
    </Button>
  );
}
