"use client";
import Link from "next/link";
import { useParams } from "next/navigation";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import { Why } from "@/ui/primitives/Why";
import type { SkillLine } from "../../studentTypes";

/** Skills with their gauges and standards, each leading to its lesson. */
export function SkillList({
  lines,
  empty,
  note,
  most = 20,
}: {
  readonly lines: readonly SkillLine[];
  readonly empty: string;
  readonly note?: (line: SkillLine) => string;
  readonly most?: number;
}) {
  const { classes } = useParams<{ classes: string }>();
  const [all, setAll] = useState(false);
  if (lines.length === 0) return <p className="text-mute text-[14px]">{empty}</p>;
  return (
    <>
      <ul className="text-[14px]">
        {(all ? lines : lines.slice(0, most)).map((line) => (
          <li key={line.id} className="border-hair flex items-center gap-2.5 border-t py-0.5">
            <Why
              of={`${line.name}: ${gaugeWords(line.gauge)}`}
              words={`${gaugeWords(line.gauge)}.`}
              className="shrink-0"
            >
              <Gauge {...line.gauge} className="h-4 w-10" />
            </Why>
            <Link
              className="decoration-hair min-w-0 truncate underline underline-offset-3"
              href={`/desk/${classes}/library/${line.id}`}
            >
              {line.name}
            </Link>
            <span className="text-mute ml-auto text-right text-[13px] whitespace-nowrap">
              {note?.(line) ? `${note(line)}; ` : ""}
              {line.codes[0] ? `${line.codes[0]}, ` : ""}grade {line.grade}
            </span>
          </li>
        ))}
      </ul>
      {lines.length > most && !all ? (
        <Button look="quiet" className="no-print min-h-0! px-0! py-0.5! text-[14px]!" onClick={() => setAll(true)}>
          All {lines.length}
        </Button>
      ) : null}
    </>
  );
}
