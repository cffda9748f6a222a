import Link from "next/link";
import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import type { WorkListEntry } from "../types";
import { KIND_WORDS } from "./kindWords";

/** All work of the chosen classes: open first, each with how far everybody is. */
export function WorkList({ works, base }: { readonly works: readonly WorkListEntry[]; readonly base: string }) {
  const parts = [
    { title: "Prepared, not given yet", entries: works.filter(({ state }) => state === "prepared") },
    { title: "Open", entries: works.filter(({ state }) => state === "open" || state === "late") },
    { title: "Opens later", entries: works.filter(({ state }) => state === "later") },
    { title: "Over", entries: works.filter(({ state }) => state === "over") },
  ].filter(({ entries }) => entries.length > 0);
  return (
    <div className="px-5 py-4">
      <PageHead title="Work" sub="What students have been given, and how far they are.">
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
                      {KIND_WORDS[work.kind].inList}
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
        </section>
      ))}
    </div>
  );
}

function wants(work: WorkListEntry): string {
  if (work.state === "later" || work.state === "prepared") return "";
  const parts = [
    ...(work.stuck > 0 ? [`${work.stuck} stuck`] : []),
    ...(work.joinedCount > 0 ? [`${work.joinedCount} joined since`] : []),
    ...(work.notStarted > 0
      ? [work.state === "over" ? `${work.notStarted} never started` : `${work.notStarted} not started`]
      : []),
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
