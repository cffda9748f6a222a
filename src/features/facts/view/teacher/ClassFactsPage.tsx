"use client";
import { format, parseISO } from "date-fns";
import Link from "next/link";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import type { Operation } from "@/core/model/factSettings";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { familyName, operationName } from "@/words/factWords";
import type { ClassFactsView, FactLine } from "../../types";
import { SettingsSentence } from "./SettingsSentence";

const percent = (known: number, of: number) => (of === 0 ? 0 : Math.round((100 * known) / of));

/** How classes stand in their number facts: by family, who was there today, who gets no further. */
export function ClassFactsPage({
  views,
  leftOut,
  base,
}: {
  readonly views: readonly ClassFactsView[];
  /** Classes that were chosen and are not shown. */
  readonly leftOut: number;
  readonly base: string;
}) {
  return (
    <div className="space-y-8 px-5 py-4">
      <PageHead
        title="Number facts"
        sub="Known by heart: right within the student's own typing and the time to think, nine times in ten over several days; a further answer on the same day tells little."
      >
        <PrintButton>Print</PrintButton>
        <ButtonLink href={`${base}/work`}>To all work</ButtonLink>
      </PageHead>
      {views.map((view) => (
        <OneClass key={view.classId} view={view} base={base} />
      ))}
      {leftOut > 0 ? (
        <p className="text-mute text-[15px]">
          {leftOut === 1 ? "1 more class is" : `${leftOut} more classes are`} not shown here. Choose fewer classes above
          to see them.
        </p>
      ) : null}
    </div>
  );
}

function OneClass({ view, base }: { readonly view: ClassFactsView; readonly base: string }) {
  const pull = usePullList();
  const stalled = view.lines.filter((line) => line.stalled);
  const today = view.lines.filter((line) => line.today.minutes > 0);
  const met = view.lines.filter((line) => line.today.inTime >= line.today.goal);
  const { operations } = view.settings;
  const [chosen, choose] = useState<Operation | null>(null);
  const operation = operations.find((one) => one === chosen) ?? operations[0];
  const familyIds = view.familyIds.filter((id) => id.startsWith(`${operation}-`));
  /** How many practise and have not got a family by heart yet. */
  const lacking = (familyId: string) =>
    view.lines.filter(
      ({ on, stage, families }) =>
        on && stage !== "not-begun" && families.some(({ id, known, of }) => id === familyId && known < of),
    ).length;
  return (
    <section aria-label={view.className}>
      <SettingsSentence
        classId={view.classId}
        studentId={null}
        who={view.className}
        on={view.on}
        settings={view.settings}
      />
      {view.lines.length === 0 ? (
        <p className="text-mute mt-4 text-[15px]">Nobody is in this class yet. Add students in the roster.</p>
      ) : (
        <>
          <p className="mt-3 text-[15px]">
            Today {today.length} of {view.lines.length} have practised; {met.length} met the goal. Below: the share of
            each family that is known by heart, in %; its name leads to teaching it again.{" "}
            {stalled.length > 0 ? (
              <span className="text-clay">
                {stalled.length === 1 ? "1 student practises" : `${stalled.length} students practise`} and learned
                nothing new on the last four days.{" "}
                <Button
                  look="quiet"
                  className="px-0!"
                  onClick={() =>
                    pull.add(stalled.map(({ studentId, name }) => ({ id: studentId, name, skillId: null })))
                  }
                >
                  Put them on the pull list
                </Button>
              </span>
            ) : null}
          </p>
          {operations.length > 1 ? (
            <p className="no-print mt-3 flex gap-2">
              {operations.map((one) => (
                <Button
                  key={one}
                  aria-pressed={one === operation}
                  look={one === operation ? "main" : "plain"}
                  onClick={() => choose(one)}
                >
                  {operationName(one)}
                </Button>
              ))}
            </p>
          ) : null}
          <div className="mt-3 overflow-x-auto">
            <table className="text-[14px]">
              <caption className="sr-only">Share of each family that is known by heart, by student</caption>
              <thead className="text-mute align-bottom">
                <tr>
                  <th className="pr-4 pb-1 text-left font-normal">Student</th>
                  {familyIds.map((id) => (
                    <th key={id} className="w-14 pr-1 pb-1 text-left leading-tight font-normal">
                      <Link
                        className="hover:text-ink underline decoration-dotted underline-offset-2"
                        title={`Teach it again: ${lacking(id)} do not know all of it`}
                        href={`${base}/work/facts/family/${view.classId}/${id}`}
                      >
                        {familyName(id)}
                      </Link>
                    </th>
                  ))}
                  <th className="pr-4 pb-1 pl-3 text-right leading-tight font-normal">learned this week</th>
                  <th className="pr-4 pb-1 text-right leading-tight font-normal">a week, in the 3 before</th>
                  <th className="pr-4 pb-1 text-right leading-tight font-normal">today, in time</th>
                  <th className="pb-1 text-left leading-tight font-normal">last practised</th>
                </tr>
              </thead>
              <tbody>
                {view.lines.map((line) => (
                  <Row key={line.studentId} line={line} familyIds={familyIds} base={base} today={view.today} />
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </section>
  );
}

function Row({
  line,
  familyIds,
  base,
  today,
}: {
  readonly line: FactLine;
  readonly familyIds: readonly string[];
  readonly base: string;
  readonly today: string;
}) {
  return (
    <tr className="border-hair border-t">
      <th scope="row" className="py-1 pr-4 text-left font-normal whitespace-nowrap">
        <SheetLink id={line.studentId}>{line.name}</SheetLink>{" "}
        <Link className="text-mute underline" href={`${base}/work/facts/${line.studentId}`}>
          facts
        </Link>
        {line.differs ? <span className="text-mute"> own settings</span> : null}
      </th>
      {familyIds.map((id) => {
        const family = line.families.find((one) => one.id === id);
        if (!family)
          return (
            <td key={id} className="text-mute pr-1">
              –
            </td>
          );
        return (
          <td
            key={id}
            className="pr-1"
            title={`${family.known} of ${family.of} known by heart, ${family.onTheWay} on the way`}
          >
            <Share known={family.known} of={family.of} empty={line.stage === "not-begun"} />
          </td>
        );
      })}
      <td className="pr-4 pl-3 text-right tabular-nums">{line.thisWeek}</td>
      <td className="text-mute pr-4 text-right tabular-nums">{Math.round(line.before * 10) / 10}</td>
      <td className="pr-4 text-right tabular-nums">
        {line.today.inTime} of {line.today.goal}
      </td>
      <td className={line.stalled ? "text-clay whitespace-nowrap" : "text-mute whitespace-nowrap"}>
        {lastWords(line, today)}
      </td>
    </tr>
  );
}

function lastWords({ on, stage, lastDay, stalled }: FactLine, today: string): string {
  if (!on) return "switched off";
  if (lastDay === null) return stage === "not-begun" ? "not begun" : "not in the last 6 weeks";
  const day = lastDay === today ? "today" : format(parseISO(lastDay), "d MMM");
  return `${day}${stage === "placement" ? ", being placed" : stalled ? ", nothing new" : ""}`;
}

/** A share as a cell filled from below, with its number; hatched where nothing was asked yet. */
function Share({ known, of, empty }: { readonly known: number; readonly of: number; readonly empty: boolean }) {
  const share = percent(known, of);
  return (
    <span className="flex items-center gap-1">
      <span aria-hidden className={`gauge block h-4 w-6 ${empty ? "gauge-few" : ""}`}>
        {empty ? null : <i style={{ height: `${share}%`, background: "var(--level-2)" }} />}
      </span>
      <span className="text-mute text-[13px] tabular-nums">{empty ? "" : share}</span>
    </span>
  );
}
