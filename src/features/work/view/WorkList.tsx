"use client";
import Link from "next/link";
import { parseAsString, useQueryState } from "nuqs";
import { useState } from "react";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FindField } from "@/ui/primitives/FindField";
import { dayWords } from "@/words/staff/dayWords";
import type { SeriesLine } from "../seriesTypes";
import type { WorkListEntry } from "../types";
import { KIND_WORDS } from "./kindWords";
import { rhythmWords, weekdaysWords } from "./series/seriesWords";
import { byDay, byNeed } from "./workOrder";

/** Work that is over and not long ago; the rest is a move away. */
const OVER_SHOWN = 12;

/** All work of the chosen classes: what needs the teacher first, then by its day, each with how far everybody is. */
export function WorkList({
  works,
  series,
  base,
}: {
  readonly works: readonly WorkListEntry[];
  /** What is given again and again. */
  readonly series: readonly SeriesLine[];
  readonly base: string;
}) {
  const [find, setFind] = useQueryState("find", parseAsString.withDefault(""));
  const [isAll, setAll] = useState(false);
  const wanted = find.trim().toLocaleLowerCase();
  const found = works.filter(({ title, className, skills }) =>
    `${title} ${className} ${skills.join(" ")}`.toLocaleLowerCase().includes(wanted),
  );
  // What is over and waits to be scored is not put away under it.
  const over = found.filter((work) => work.state === "over" && !isOpen(work));
  const isCut = !isAll && wanted === "" && over.length > OVER_SHOWN;
  const parts = [
    { title: "Prepared, not given yet", entries: found.filter(({ state }) => state === "prepared") },
    { title: "Open", entries: found.filter((work) => isOpen(work)).sort(byNeed) },
    { title: "Opens later", entries: found.filter(({ state }) => state === "later").sort(byDay) },
    { title: "Over", entries: isCut ? over.slice(0, OVER_SHOWN) : over },
  ].filter(({ entries }) => entries.length > 0);
  return (
    <div className="px-5 py-4">
      <PageHead title="Work" sub="What students have been given, and how far they are.">
        {works.length > 0 ? <FindField label="Find work" placeholder="Find work" value={find} set={setFind} /> : null}
        <ButtonLink href={`${base}/work/kept`}>Kept work</ButtonLink>
        <ButtonLink href={`${base}/work/facts`}>Number facts</ButtonLink>
        <ButtonLink href={`${base}/work/review`}>Review</ButtonLink>
        <ButtonLink href={`${base}/work/new?kind=test`}>Build a test</ButtonLink>
        <ButtonLink look="main" href={`${base}/work/new`}>
          Assign work
        </ButtonLink>
      </PageHead>
      {works.length === 0 ? (
        <p className="text-mute py-8">
          Nothing has been given yet. Assign practice on a skill, and it appears here with everybody's progress.
        </p>
      ) : null}
      {works.length > 0 && found.length === 0 ? (
        <p className="text-mute py-8">No work has these words. Try fewer of them.</p>
      ) : null}
      {series.length > 0 && wanted === "" ? (
        <section className="mb-6 text-[15px]">
          <h2 className="mb-1 font-serif text-[18px] font-medium">Again and again</h2>
          <ul>
            {series.map(({ id, title, className, rules, nextDay }) => (
              <li key={id} className="border-hair border-t py-1.5">
                <Link
                  className="decoration-hair font-semibold underline underline-offset-3"
                  href={`${base}/work/series/${id}`}
                >
                  {title}
                </Link>
                <span className="text-mute text-[14px]"> {className}</span>: {weekdaysWords(rules.weekdays)},{" "}
                {rhythmWords(rules.everyWeeks)}; next on {dayWords(nextDay)}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {parts.map(({ title, entries }) => (
        <section key={title} className="mb-6">
          <h2 className="mb-1 font-serif text-[18px] font-medium">{title}</h2>
          <table className="w-full text-[15px]">
            <thead className="text-mute text-left text-[14px]">
              <tr>
                <th className="py-1 font-normal">Title</th>
                <th className="w-52 font-normal">Due</th>
                <th className="w-72 font-normal">Finished, working, stuck, not started</th>
                <th className="w-44 font-normal">Wants you</th>
              </tr>
            </thead>
            <tbody>
              {entries.map((work) => (
                <tr key={work.id} className="border-hair border-t">
                  <td className="py-1.5">
                    <Link
                      className="decoration-hair font-semibold underline underline-offset-3"
                      href={`${base}/work/${work.id}`}
                    >
                      {work.title}
                    </Link>
                    <span className="text-mute text-[14px]">
                      {" "}
                      {work.partCount > 1 ? `${work.partCount} parts, ` : KIND_WORDS[work.kind].inList}
                      {work.className}
                    </span>
                  </td>
                  <td>{work.due ?? "no due day"}</td>
                  <td>
                    <Progress work={work} />
                  </td>
                  <td className="text-clay font-semibold">{wants(work)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {isCut && title === "Over" ? (
            <Button look="quiet" className="px-0!" onClick={() => setAll(true)}>
              Show all {over.length}
            </Button>
          ) : null}
        </section>
      ))}
    </div>
  );
}

/** Students can work on it, or the teacher has to. */
const isOpen = ({ state, toScore }: WorkListEntry): boolean =>
  state === "open" || state === "late" || (state === "over" && toScore > 0);

function wants(work: WorkListEntry): string {
  if (work.state === "later" || work.state === "prepared") return "";
  const parts = [
    ...(work.stuck > 0 ? [`${work.stuck} stuck`] : []),
    ...(work.toScore > 0 ? [`${work.toScore} to score`] : []),
    ...(work.joinedCount > 0 ? [`${work.joinedCount} joined since`] : []),
    ...(work.notStarted > 0
      ? [work.state === "over" ? `${work.notStarted} never started` : `${work.notStarted} not started`]
      : []),
    ...(work.toShow > 0 ? [`${work.toShow} to show`] : []),
  ];
  return parts.join(", ");
}

/** One bar for all students of a piece of work, with the numbers beside it. */
function Progress({ work }: { readonly work: WorkListEntry }) {
  const parts = [
    { count: work.finished, colour: "var(--level-3)", name: "finished" },
    { count: work.working, colour: "var(--level-1)", name: "working" },
    { count: work.stuck, colour: "var(--clay)", name: "stuck" },
    { count: work.notStarted, colour: "var(--gauge)", name: "not started" },
  ];
  return (
    <span
      className="flex items-center gap-3"
      role="img"
      aria-label={parts.map(({ count, name }) => `${count} ${name}`).join(", ")}
    >
      <span className="flex h-3 w-36 gap-px">
        {parts.map(({ count, colour, name }) =>
          count > 0 ? <i key={name} title={`${count} ${name}`} style={{ flex: count, background: colour }} /> : null,
        )}
      </span>
      <span className="text-mute text-[14px]">
        {work.finished} of {work.given} finished
      </span>
    </span>
  );
}
