"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { applyItemImportAction, chooseForImportAction } from "../actions";
import type { ImportLine, ImportShow, ItemImportView } from "../exchangeTypes";
import { SkillOptions } from "./SkillOptions";

const FATES: Readonly<Record<ImportLine["fate"], string>> = {
  "in-use": "comes into use",
  draft: "comes as a draft",
  "new-version": "new version",
  unchanged: "here already",
  "left-out": "left out",
};

/** What would become of each item of a file: what comes, what can't, and what of it is lost. */
export function BringInDifference({ view, base }: { readonly view: ItemImportView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const { draftId, counts } = view;
  const coming = counts["in-use"] + counts.draft + counts["new-version"];
  const isNothing = coming === 0 && view.passages.changed === 0;
  const page = `${base}/library/items/bring-in/${draftId}`;
  const apply = () =>
    run(
      () => applyItemImportAction({ draftId, fingerprint: view.fingerprint }),
      `Brought ${items(coming)} into “${view.bank.name}”.`,
      ({ bankId }) => router.push(`${base}/library/items?bank=${bankId}&order=newest`),
    );
  const choose = (change: { readonly bankId?: string; readonly skillId?: string | null }) =>
    run(
      () => chooseForImportAction({ draftId, bankId: view.bank.id, skillId: view.skillId, ...change }),
      null,
      () => router.refresh(),
    );
  const shows: readonly (readonly [ImportShow, string, number])[] = [
    ["all", "all", counts["in-use"] + counts.draft + counts["new-version"] + counts.unchanged + counts["left-out"]],
    ["left-out", "left out", counts["left-out"]],
    ["draft", "as drafts", counts.draft],
    ["not-whole", "with something to know", view.notWhole],
    ["new-version", "new versions", counts["new-version"]],
    ["unchanged", "here already", counts.unchanged],
  ];
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead title={`${view.fileName} into “${view.bank.name}”`} sub={`Nothing has changed yet. ${said(view)}`}>
        <ButtonLink href={`${base}/library/items/bring-in?bank=${view.bank.id}`}>Another file</ButtonLink>
        <Button look="main" disabled={run.busy || isNothing} onClick={apply}>
          {isNothing ? "Nothing to bring in" : run.busy ? "Bringing in…" : `Bring ${items(coming)} in`}
        </Button>
      </PageHead>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <label className="block">
          <span className="mb-0.5 block">Into the bank</span>
          <select
            className={`${FIELD} w-64`}
            value={view.bank.id}
            disabled={run.busy}
            onChange={(event) => choose({ bankId: event.target.value })}
          >
            {view.banks.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="mb-0.5 block">Under the skill, where an item says none</span>
          <select
            className={`${FIELD} w-96 max-w-full`}
            value={view.skillId ?? ""}
            disabled={run.busy}
            onChange={(event) => choose({ skillId: event.target.value === "" ? null : event.target.value })}
          >
            <option value="">none: such items come as drafts</option>
            <SkillOptions skills={view.skills} />
          </select>
        </label>
      </div>
      {view.unread.length > 0 ? (
        <p className="border-hair mb-3 border-l-4 pl-3">
          Files that nothing here reads: {view.unread.slice(0, 8).join(", ")}
          {view.unread.length > 8 ? ` and ${view.unread.length - 8} more` : ""}.
        </p>
      ) : null}
      <nav aria-label="Which items are listed" className="mb-2 flex flex-wrap gap-x-5 gap-y-1">
        {shows
          .filter(([show, , count]) => count > 0 || show === "all" || show === view.show)
          .map(([show, words, count]) => (
            <Link
              key={show}
              href={`${page}?show=${show}`}
              aria-current={show === view.show ? "page" : undefined}
              className={
                show === view.show
                  ? "border-ink border-b-2 font-semibold"
                  : "decoration-hair hover:decoration-ink underline underline-offset-4"
              }
            >
              {words} <span className="tabular-nums">{count.toLocaleString("en-GB")}</span>
            </Link>
          ))}
      </nav>
      <Lines view={view} />
      {view.total > view.lines.length ? <Pages view={view} page={page} /> : null}
    </div>
  );
}

const items = (count: number) => (count === 1 ? "1 item" : `${count.toLocaleString("en-GB")} items`);

/** The file in one sentence. */
function said({ counts, notWhole, passages }: ItemImportView): string {
  const parts = [
    counts["in-use"] > 0 ? `${items(counts["in-use"])} would come into use` : "",
    counts["new-version"] > 0 ? `${counts["new-version"]} become new versions` : "",
    counts.draft > 0 ? `${counts.draft} come as drafts` : "",
    counts.unchanged > 0 ? `${counts.unchanged} are here already` : "",
    counts["left-out"] > 0 ? `${counts["left-out"]} can't be taken` : "",
    passages.added > 0 ? (passages.added === 1 ? "1 passage comes too" : `${passages.added} passages come too`) : "",
    passages.changed > 0 ? `${passages.changed} passages here get other words` : "",
    notWhole > 0 ? `${notWhole} with something to know` : "",
  ].filter((part) => part !== "");
  return parts.length === 0 ? "" : `${parts.join("; ")}.`;
}

function Lines({ view }: { readonly view: ItemImportView }) {
  if (view.lines.length === 0) return <p className="text-mute py-2">None of these.</p>;
  return (
    <table className="w-full">
      <thead className="text-mute text-left text-[14px]">
        <tr>
          <th className="w-36 py-1 font-normal">Where</th>
          <th className="font-normal">Item</th>
          <th className="w-40 font-normal">Kind</th>
          <th className="w-36 font-normal">Becomes</th>
          <th className="w-[30%] font-normal">To know</th>
        </tr>
      </thead>
      <tbody>
        {view.lines.map((line) => (
          <tr key={line.key} className="border-hair border-t align-top">
            <td className="text-mute max-w-36 truncate py-1.5 pr-3 text-[14px]" title={line.at}>
              {/^\d+$/.test(line.at) ? `row ${line.at}` : line.at.split("/").at(-1)}
            </td>
            <td className="py-1.5 pr-4">
              {line.title === "" ? <span className="text-mute">without a title</span> : line.title}
              {line.skill === "" ? null : <span className="text-mute block text-[14px]">{line.skill}</span>}
            </td>
            <td className="py-1.5 pr-3">{line.kind}</td>
            <td className={`py-1.5 pr-3 ${line.fate === "left-out" ? "text-clay font-semibold" : ""}`}>
              {FATES[line.fate]}
            </td>
            <td className="py-1.5 text-[14px]">
              {line.sentences.map((sentence) => (
                <span key={sentence} className="block">
                  {sentence}
                </span>
              ))}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Pages({ view, page }: { readonly view: ItemImportView; readonly page: string }) {
  const to = view.from + view.lines.length;
  const at = (from: number) => `${page}?show=${view.show}&from=${from}`;
  return (
    <p className="mt-3 flex gap-4">
      <span className="text-mute tabular-nums">
        {(view.from + 1).toLocaleString("en-GB")} to {to.toLocaleString("en-GB")} of{" "}
        {view.total.toLocaleString("en-GB")}
      </span>
      {view.from > 0 ? (
        <Link className="underline underline-offset-3" href={at(Math.max(0, view.from - view.pageSize))}>
          before
        </Link>
      ) : null}
      {to < view.total ? (
        <Link className="underline underline-offset-3" href={at(to)}>
          next
        </Link>
      ) : null}
    </p>
  );
}
