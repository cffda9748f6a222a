"use client";
import { type ReactNode, useState } from "react";
import { Button } from "@/ui/primitives/Button";

/** A chart with the question that it answers as its title, what is good, and the same numbers as a table. */
export function ChartFrame({
  question,
  good,
  chart,
  table,
  children,
}: {
  readonly question: string;
  readonly good?: ReactNode;
  readonly chart: ReactNode;
  readonly table: ReactNode;
  readonly children?: ReactNode;
}) {
  const [asTable, setAsTable] = useState(false);
  return (
    <figure className="min-w-0">
      <figcaption>
        <h2 className="text-[16px] leading-tight font-bold">{question}</h2>
        {good ? <p className="text-mute text-[14px]">{good}</p> : null}
      </figcaption>
      <div className="mt-1">{asTable ? table : chart}</div>
      <div className="no-print flex flex-wrap items-center gap-x-4">
        <Button look="quiet" className="min-h-0! px-0! py-0.5! text-[14px]!" onClick={() => setAsTable(!asTable)}>
          {asTable ? "As a picture" : "As a table"}
        </Button>
        {children}
      </div>
    </figure>
  );
}
