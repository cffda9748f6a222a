"use client";
import { parseAsString, useQueryState } from "nuqs";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FindField } from "@/ui/primitives/FindField";
import { changeKeptWorkAction } from "../actions";
import type { KeptWork } from "../types";
import { KIND_WORDS } from "./kindWords";

const MOST_SKILLS = 3;

/** Work that was kept to be given again: one's own, and what colleagues share. */
export function KeptWorks({ works, base }: { readonly works: readonly KeptWork[]; readonly base: string }) {
  const [find, setFind] = useQueryState("find", parseAsString.withDefault(""));
  const wanted = find.trim().toLocaleLowerCase();
  const found = works.filter(({ title, skills, owner }) =>
    `${title} ${skills.join(" ")} ${owner}`.toLocaleLowerCase().includes(wanted),
  );
  const sections = [
    { title: "Mine", entries: found.filter(({ isMine }) => isMine) },
    { title: "Shared by colleagues", entries: found.filter(({ isMine }) => !isMine) },
  ].filter(({ entries }) => entries.length > 0);
  return (
    <div className="px-5 py-4">
      <PageHead title="Kept work" sub="What you or colleagues made and keep, to be given again, as it is or adapted.">
        {works.length > 0 ? <FindField label="Find kept work" placeholder="Find" value={find} set={setFind} /> : null}
        <ButtonLink href={`${base}/work`}>To all work</ButtonLink>
      </PageHead>
      {works.length === 0 ? (
        <p className="text-mute py-8">Nothing is kept yet. Open a piece of work and press “Keep”.</p>
      ) : sections.length === 0 ? (
        <p className="text-mute py-8">No kept work has these words. Try fewer of them.</p>
      ) : null}
      {sections.map(({ title, entries }) => (
        <section key={title} className="mb-6 max-w-5xl">
          <h2 className="mb-1 font-serif text-[18px] font-medium">{title}</h2>
          <ul>
            {entries.map((work) => (
              <Line key={work.workId} work={work} base={base} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function Line({ work, base }: { readonly work: KeptWork; readonly base: string }) {
  const run = useRun(undoAction);
  const { title, kind, parts, skills, isMine, owner, isShared, givenTimes } = work;
  const named = skills.slice(0, MOST_SKILLS).join(", ");
  const change = (step: string, said: string) => run(() => changeKeptWorkAction({ workId: work.workId, step }), said);
  return (
    <li className="border-hair flex flex-wrap items-center justify-between gap-3 border-t py-2 text-[15px]">
      <span>
        <b className="font-semibold">{title}</b>
        <span className="text-mute block text-[14px]">
          {KIND_WORDS[kind].inList}
          {parts > 1 ? `${parts} parts, ` : ""}
          {named}
          {skills.length > MOST_SKILLS ? ` and ${skills.length - MOST_SKILLS} more` : ""}; given{" "}
          {givenTimes === 1 ? "once" : `${givenTimes} times`}
          {isMine ? (isShared ? "; colleagues see it" : "") : `; from ${owner}`}
        </span>
      </span>
      <span className="flex gap-2">
        <ButtonLink look="main" href={`${base}/work/new?again=${work.assignmentId}`}>
          Give it
        </ButtonLink>
        {isMine ? (
          <>
            <Button
              disabled={run.busy}
              onClick={() =>
                isShared
                  ? change("unshare", `“${title}” is yours alone again.`)
                  : change("share", `Colleagues of the school find “${title}” now.`)
              }
            >
              {isShared ? "Share no longer" : "Share"}
            </Button>
            <Button disabled={run.busy} onClick={() => change("put-away", `Archived “${title}”.`)}>
              Archive
            </Button>
          </>
        ) : null}
      </span>
    </li>
  );
}
