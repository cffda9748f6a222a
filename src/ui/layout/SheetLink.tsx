"use client";
import { parseAsString, useQueryState } from "nuqs";
import type { ReactNode } from "react";

/** A name that opens its sheet beside the page; the address keeps it, so that it can be reloaded and shared. */
export function SheetLink({
  id,
  children,
  className = "",
}: {
  readonly id: string;
  readonly children: ReactNode;
  readonly className?: string;
}) {
  const [, setSheet] = useQueryState("sheet", parseAsString.withOptions({ history: "push" }));
  return (
    <button
      type="button"
      data-name
      className={`decoration-hair text-left underline-offset-3 hover:underline ${className}`}
      onClick={() => setSheet(id)}
    >
      {children}
    </button>
  );
}
