"use client";
import { useParams } from "next/navigation";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import type { MistakeLine, MistakesView } from "../../mistakeTypes";
import { mistakeSheets } from "../../sheets/mistakeSheets";
import { Files, TableFile } from "../parts/Files";
import { SheetTable } from "../parts/SheetTable";
import { talkHref } from "../parts/talkHref";
import { WeekMarks } from "../parts/WeekMarks";
import { Who } from "../parts/Who";

/** Known mistakes across all work: first what most students still need something about. */
export function MistakesPage({ view, against }: { readonly view: MistakesView; readonly against: string | null }) {
  const [asTable, setAsTable] = useState(false);
  const open = view.lines.filter(({ students }) => students.length > 0);
  const over = view.lines.filter(({ students }) => students.length === 0);
  const [sheet] = mistakeSheets(view);
  return (
    <div className="px-5 py-3">
      <PageHead
        title="Which idea goes wrong, for whom, and what answers it?"
        sub={
          view.told === 0
            ? `${view.wrong} first answers were wrong in these days; none showed a known mistake.`
            : `${view.told} wrong answers, second tries too, showed a known mistake. Good is: a line that empties from week to week.`
        }
      >
        <Button onClick={() => setAsTable(!asTable)}>{asTable ? "With what to do" : "As a table"}</Button>
        <Files report="mistakes" />
      </PageHead>
      {asTable && sheet ? (
        <>
          <SheetTable sheet={sheet} />
          <TableFile report="mistakes" table="Mistakes" />
        </>
      ) : (
        <>
          {open.length === 0 ? (
            <p className="text-mute py-6">
              {view.lines.length === 0
                ? "No known mistake showed in these days. Choose other days or more skills in the line above."
                : "Everyone who made a mistake in these days is Secure in that skill today."}
            </p>
          ) : null}
          <ol>
            {open.map((line) => (
              <Line key={line.key} line={line} view={view} against={against} />
            ))}
          </ol>
          {over.length > 0 ? (
            <details className="mt-4">
              <summary className="text-[15px] font-bold">
                {over.length} {over.length === 1 ? "mistake" : "mistakes"} that nobody needs anything about any more
              </summary>
              <ul className="text-[14px]">
                {over.map((line) => (
                  <li key={line.key} className="border-hair border-t py-1">
                    {line.name}, {line.skill}:{" "}
                    <Who students={line.secureSince} skillId={line.skillId} what="made it and are Secure since">
                      {line.secureSince.length} Secure since
                    </Who>
                  </li>
                ))}
              </ul>
            </details>
          ) : null}
        </>
      )}
    </div>
  );
}

const NAMES_SHOWN = 6;

function Line(props: { readonly line: MistakeLine; readonly view: MistakesView; readonly against: string | null }) {
  const { line, view, against } = props;
  const { classes } = useParams<{ classes: string }>();
  const pull = usePullList();
  const names = line.students.slice(0, NAMES_SHOWN).map(({ name, times }) => (times > 1 ? `${name} (${times})` : name));
  const rest = line.students.length - names.length;
  return (
    <li className="border-hair grid grid-cols-[3.5rem_minmax(0,1fr)_13rem_auto] items-start gap-x-4 border-t py-2 max-lg:grid-cols-[3.5rem_minmax(0,1fr)]">
      <p className="leading-none">
        <b className="font-serif text-[26px] font-medium">{line.students.length}</b>
        <span className="text-mute block text-[13px]">of {view.students}</span>
      </p>
      <div className="min-w-0">
        <p className="text-[16px] leading-snug">
          <b className="font-semibold">{line.name}</b> <span className="text-mute">in {line.skill}</span>
        </p>
        <p className="text-[14px]">{line.explanation}</p>
        <p className="text-mute text-[14px]">
          <span data-name>{names.join(", ")}</span>
          {rest > 0 ? ` and ${rest} more` : ""}
          {line.secureSince.length > 0 ? `; ${line.secureSince.length} Secure since` : ""}
          {line.blocks[0] ? `; ${line.blocks[0]} builds on it` : ""}
        </p>
      </div>
      <div className="max-lg:col-start-2">
        <WeekMarks counts={line.weeks} weeks={view.weeks} most={view.students} what="students showed it" />
        <p className="text-mute text-[13px]">
          {line.before === null
            ? "students a week"
            : `${line.students.length + line.secureSince.length} students now, ${line.before} from ${against ?? "before"}`}
        </p>
      </div>
      <div className="no-print flex flex-wrap gap-2 max-lg:col-start-2 lg:w-60 lg:justify-end">
        <ButtonLink
          href={talkHref(
            classes,
            { skill: line.skillId, mistake: line.misconceptionId },
            line.students.map(({ id }) => id),
          )}
        >
          Talk now
        </ButtonLink>
        <Button
          onClick={() => pull.add(line.students.map(({ id, name }) => ({ id, name, skillId: line.skillId })))}
          aria-label={`Put the ${line.students.length} who ${line.name.toLowerCase()} on the pull list`}
        >
          Pull {line.students.length}
        </Button>
        <ButtonLink href={`/desk/${classes}/library/${line.skillId}`}>
          {line.answered ? "The plan that answers it" : "Reteach plan"}
        </ButtonLink>
      </div>
    </li>
  );
}
