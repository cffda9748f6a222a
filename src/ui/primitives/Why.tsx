"use client";
import { Popover } from "radix-ui";
import type { ReactNode } from "react";

/** A figure that answers why: hovered it says so, and pressed, by mouse, finger or key, it says so until it is put away. */
export function Why({
  words,
  of,
  children,
  className = "",
}: {
  /** One sentence, with its capital and its full stop. */
  readonly words: string;
  /** What the figure is: "level in Ratios". */
  readonly of: string;
  readonly children: ReactNode;
  readonly className?: string;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger className={`cursor-help text-left ${className}`} title={words} aria-label={`${of}: why?`}>
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={8}
          className="bg-paper border-ink z-50 w-72 border-[1.5px] p-3 text-[14px] shadow-lg"
        >
          {words}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
