"use client";
import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import type { SkillLine, StudentReportView } from "../../studentTypes";
import { Course } from "./Course";

const SHOWN = 5;

/** What one looks at together with a student and their family, on one screen: what is there, what comes next, what is in the way. */
export function ConferencePage({ view, back }: { readonly view: StudentReportView; readonly back: string }) {
  return (
    <div className="px-6 py-4 text-[16px]">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 data-name className="font-serif text-[28px] leading-tight font-medium">
          {view.name}
        </h1>
        <p className="text-mute">
          {view.classNames.join(", ")}; {view.range.words}: {view.range.minutes} minutes, {view.range.right} of{" "}
          {view.range.answered} right at the first try
        </p>
        <p className="no-print ml-auto flex gap-2">
          <ButtonLink href={back}>The whole report</ButtonLink>
          <PrintButton />
        </p>
      </div>
      <div className="mt-3 grid gap-x-10 gap-y-4 lg:grid-cols-3">
        <Lines title="Can do now" lines={view.shown} empty="We are only getting to know it." />
        <Lines title="Comes next" lines={view.ready} empty="Everything in sight is there." />
        <Lines title="Is in the way" lines={view.missing} empty="Nothing underneath is missing." />
      </div>
      <div className="mt-4 grid gap-x-10 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
        <Course view={view} />
        <section aria-label="Last work">
          <h2 className="text-[17px] font-bold">Last work</h2>
          <ul>
            {view.works.slice(0, SHOWN).map((work) => (
              <li key={work.id} className="border-hair flex justify-between gap-3 border-t py-0.5">
                <span className="min-w-0 truncate">{work.title}</span>
                <span className="text-mute whitespace-nowrap">
                  {work.percent === null ? work.state : `${work.percent} %`}, {work.day}
                </span>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}

function Lines(props: { readonly title: string; readonly lines: readonly SkillLine[]; readonly empty: string }) {
  const { title, lines, empty } = props;
  return (
    <section>
      <h2 className="border-ink border-t-2 pt-1 text-[17px] font-bold">{title}</h2>
      {lines.length === 0 ? <p className="text-mute">{empty}</p> : null}
      <ul>
        {lines.slice(0, SHOWN).map((line) => (
          <li
            key={line.id}
            className="border-hair flex items-center gap-3 border-t py-1"
            title={gaugeWords(line.gauge)}
          >
            <Gauge {...line.gauge} className="h-5 w-11 shrink-0" />
            <span>{line.name}</span>
            <span className="sr-only">{gaugeWords(line.gauge)}</span>
          </li>
        ))}
      </ul>
      {lines.length > SHOWN ? <p className="text-mute text-[14px]">and {lines.length - SHOWN} more</p> : null}
    </section>
  );
}
