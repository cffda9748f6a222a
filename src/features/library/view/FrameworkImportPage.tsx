"use client";
import { useRouter } from "next/navigation";
import { useReading } from "@/client/useReading";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { FileBeingRead, FileRefused } from "@/ui/layout/FileReading";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { applyFrameworkImportAction, chooseSubjectAction, stopReadingFrameworkAction } from "../actions";
import type { FrameworkImportState, FrameworkImportView, StandardLine } from "../exchangeTypes";

const WHAT: Readonly<Record<StandardLine["what"], string>> = {
  added: "added",
  changed: "changed",
  gone: "gone",
  kept: "gone, but kept: something stands under it",
};

/** A file of standards from being read to having come in. */
export function FrameworkImportPage({
  draftId,
  start,
  base,
}: {
  readonly draftId: string;
  readonly start: FrameworkImportState;
  readonly base: string;
}) {
  const router = useRouter();
  const run = useRun(undoAction);
  const progress = useReading(
    start.state === "reading" ? `/api/frameworks/files/${encodeURIComponent(draftId)}` : null,
  );
  const state = start.state === "reading" && progress?.state === "reading" ? progress : start;
  const again = `${base}/library/standards/bring-in`;
  if (state.state === "ready") return <Difference view={state.view} base={base} />;
  return (
    <div className="max-w-3xl px-5 py-4 text-[15px]">
      {state.state === "reading" ? (
        <FileBeingRead
          share={state.share}
          words="reading standards"
          stop={() =>
            run(
              () => stopReadingFrameworkAction({ draftId }),
              "Stopped. Nothing was changed.",
              () => router.push(again),
            )
          }
        />
      ) : state.state === "failed" ? (
        <FileRefused title={`${state.fileName} can't be used as it is`} sentences={state.sentences} again={again} />
      ) : (
        <div>
          <PageHead title={`${state.fileName} came in`} sub="The standards are in the library." />
          <div className="flex gap-2">
            <ButtonLink look="main" href={`${base}/library/standards`}>
              To the standards
            </ButtonLink>
            <ButtonLink href={`${base}/history`}>History, to undo it</ButtonLink>
          </div>
        </div>
      )}
    </div>
  );
}

function Difference({ view, base }: { readonly view: FrameworkImportView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const { draftId, counts, links } = view;
  const total = counts.added + counts.changed + counts.gone + counts.kept + links.added + links.gone;
  const isNothing = total === 0 && !view.isReordered;
  const apply = () =>
    run(
      () => applyFrameworkImportAction({ draftId, fingerprint: view.fingerprint }),
      `Brought “${view.title}” in.`,
      ({ frameworkId }) => router.push(`${base}/library/standards?framework=${encodeURIComponent(frameworkId)}`),
    );
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead
        title={view.isNew ? `“${view.title}” is new here` : `A new edition of “${view.title}”`}
        sub={`Nothing has changed yet. ${said(view)}`}
      >
        <ButtonLink href={`${base}/library/standards/bring-in`}>Another file</ButtonLink>
        <Button
          look="main"
          disabled={run.busy || isNothing || view.isShipped || view.subjectId === null}
          onClick={apply}
        >
          {isNothing
            ? "Nothing would change"
            : run.busy
              ? "Bringing in…"
              : view.isNew
                ? "Bring it in"
                : "Bring it up to date"}
        </Button>
      </PageHead>
      {view.isShipped ? (
        <p className="border-clay mb-4 border-l-4 pl-3" role="status">
          This framework comes with Oxbow, which keeps it up to date by itself. To have another edition beside it, give
          the document in the file another identifier.
        </p>
      ) : null}
      {view.isNew ? (
        <label className="mb-4 block">
          <span className="mb-0.5 block">For the subject</span>
          <select
            className={`${FIELD} w-64`}
            value={view.subjectId ?? ""}
            disabled={run.busy}
            onChange={(event) =>
              run(
                () => chooseSubjectAction({ draftId, subjectId: event.target.value }),
                null,
                () => router.refresh(),
              )
            }
          >
            {view.subjectId === null ? <option value="">choose</option> : null}
            {view.subjects.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      <table className="w-full max-w-5xl">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="w-32 py-1 font-normal">Code</th>
            <th className="font-normal">Standard</th>
            <th className="w-64 font-normal">Becomes</th>
          </tr>
        </thead>
        <tbody>
          {view.lines.map((line) => (
            <tr key={line.key} className="border-hair border-t align-top">
              <td className="py-1.5 pr-3 font-semibold">{line.code}</td>
              <td className="py-1.5 pr-4">
                {line.statement}
                {line.detail === "" ? null : <span className="text-mute block text-[14px]">{line.detail}</span>}
              </td>
              <td className={`py-1.5 ${line.what === "gone" || line.what === "kept" ? "text-clay font-semibold" : ""}`}>
                {WHAT[line.what]}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {view.more > 0 ? <p className="text-mute mt-2">and {view.more.toLocaleString("en-GB")} more</p> : null}
    </div>
  );
}

/** The edition in one sentence. */
function said({ counts, links, isReordered, entries }: FrameworkImportView): string {
  const parts = [
    counts.added > 0 ? `${counts.added.toLocaleString("en-GB")} added` : "",
    counts.changed > 0 ? `${counts.changed} changed` : "",
    counts.gone + counts.kept > 0 ? `${counts.gone + counts.kept} gone` : "",
    isReordered ? "in another order" : "",
    links.added > 0 ? `${links.added} ties to other standards added` : "",
    links.gone > 0 ? `${links.gone} ties gone` : "",
    links.elsewhere > 0 ? `${links.elsewhere} ties to standards that are not here are kept` : "",
  ].filter((part) => part !== "");
  return `${entries.toLocaleString("en-GB")} entries${parts.length === 0 ? ", all as they are here" : `: ${parts.join(", ")}`}.`;
}
