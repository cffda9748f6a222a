"use client";
import { Dialog as Radix } from "radix-ui";
import type { ReactNode } from "react";

/** A dialog over the page; Escape and the backdrop close it. */
export function Dialog(props: {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly wide?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <Radix.Root open={props.open} onOpenChange={props.onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/30" />
        <Radix.Content
          aria-describedby={undefined}
          className={`bg-paper border-ink fixed top-[10vh] left-1/2 z-50 max-h-[82vh] -translate-x-1/2 overflow-y-auto border-[1.5px] p-6 shadow-xl ${props.wide ? "w-[min(50rem,94vw)]" : "w-[min(32rem,94vw)]"}`}
        >
          <Radix.Title className="mb-3 font-serif text-xl">{props.title}</Radix.Title>
          {props.children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
