"use client";
import { Popover } from "radix-ui";
import type { ReactNode } from "react";

/** A word in a sentence that opens its own small editor. */
export function WordEdit({
  word,
  label,
  children,
}: {
  readonly word: string;
  readonly label: string;
  readonly children: ReactNode;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger className="word-edit" aria-label={`${label}: ${word}. Change`}>
        {word}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={label}
          align="start"
          sideOffset={6}
          className="bg-paper border-ink z-50 border-[1.5px] p-4 text-[15px] shadow-lg"
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
