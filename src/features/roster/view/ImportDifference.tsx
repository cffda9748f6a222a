"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { ROSTER_FIELDS } from "@/core/roster/rosterField";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { ROSTER_FIELD_NAMES } from "@/words/staff/rosterFieldNames";
import { applyImportAction, linkSameAction, setColumnAction } from "../actions";
import type { ImportView } from "../types";
import { ImportEntries } from "./ImportEntries";
import { ImportFaults } from "./ImportFaults";

const FILE_WORDS: Readonly<Record<string, string>> = {
  users: "people",
  classes: "classes",
  enrollments: "enrollments",
  memberships: "group memberships",
  supports: "supports",
  orgs: "schools",
  academicSessions: "terms",
  courses: "courses",
  roles: "roles",
};
const MAIN = ["users", "classes", "enrollments", "memberships", "supports"];

/** What a file would change, before it does: warnings and rows to mend first, then the numbers, then every single change. */
export function ImportDifference({ view, base }: { readonly view: ImportView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const [confirmed, setConfirmed] = useState<ReadonlySet<string>>(new Set());
  const { draftId, fingerprint } = view;
  const total = view.firstPage.total;
  const waiting = view.warnings.filter(({ key }) => !confirmed.has(key));
  const where = view.className ?? "the whole school";
  const apply = () =>
    run(
      () => applyImportAction({ draftId, fingerprint, confirmed: [...confirmed] }),
      `Imported ${view.fileName} into ${where}.`,
      () => router.push(`${view.isNewClass ? "/desk/all" : base}/roster`),
    );
  const rows = Object.entries(view.counts).filter(([file, count]) => MAIN.includes(file) || sum(count) > 0);
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead title={`${view.fileName} into ${where}`} sub="Nothing has changed yet.">
        <ButtonLink href={`${base}/roster/import`}>Another file</ButtonLink>
        <Button look="main" disabled={run.busy || total === 0 || waiting.length > 0} onClick={apply}>
          {total === 0
            ? "Nothing to apply"
            : run.busy
              ? "Applying…"
              : view.faultCount > 0
                ? `Apply the ${total.toLocaleString("en-GB")} sound changes`
                : `Apply ${total.toLocaleString("en-GB")} ${total === 1 ? "change" : "changes"}`}
        </Button>
      </PageHead>
      {view.warnings.map(({ key, sentence }) => (
        <label key={key} className="border-clay mb-3 flex items-start gap-2.5 border-l-4 pl-3">
          <input
            type="checkbox"
            className="accent-clay mt-1"
            checked={confirmed.has(key)}
            onChange={(event) => {
              const next = new Set(confirmed);
              if (event.target.checked) next.add(key);
              else next.delete(key);
              setConfirmed(next);
            }}
          />
          <span>
            <b>{sentence}</b> Tick this only if you mean it.
          </span>
        </label>
      ))}
      {view.notes.map((note) => (
        <p key={note} className="border-hair mb-2 border-l-4 pl-3">
          {note}
        </p>
      ))}
      {view.unread.length > 0 ? (
        <p className="border-hair mb-2 border-l-4 pl-3">
          Not read, because Oxbow has no use for them: {view.unread.join(", ")}.
        </p>
      ) : null}
      {view.mapping ? <Columns view={view} busy={run.busy} run={run} /> : null}
      {view.faultCount > 0 ? <ImportFaults view={view} /> : null}
      {view.likelyCount > 0 ? (
        <section aria-labelledby="likely" className="mb-5">
          <h2 id="likely" className="mb-1 font-serif text-[19px] font-medium">
            Perhaps the same: {view.likelyCount}
          </h2>
          <p className="text-mute mb-1">
            They would be added as new. Say so where one is somebody, or a class, that is here already.
          </p>
          <ul>
            {view.likely.map((pair) => (
              <li key={pair.key} className="border-hair flex items-center justify-between gap-4 border-t py-1.5">
                <span>
                  <b>{pair.name}</b> in the file, <b>{pair.knownName}</b> here
                  <span className="text-mute">: {pair.because}</span>
                </span>
                <Button
                  disabled={run.busy}
                  onClick={() => run(() => linkSameAction({ draftId, key: pair.key, knownId: pair.knownId }), null)}
                >
                  {pair.file === "users" ? "It is the same person" : "It is the same class"}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <table className="mb-5">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="w-44 py-1 font-normal">In the file</th>
            {["added", "changed", "back again", "made inactive", "as they are", "made here, kept"].map((word) => (
              <th key={word} className="w-28 text-right font-normal">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([file, count]) => (
            <tr key={file} className="border-hair border-t">
              <td className="py-1">{FILE_WORDS[file]}</td>
              {(["added", "changed", "restored", "inactive", "unchanged", "kept"] as const).map((what) => (
                <td
                  key={what}
                  className={`text-right ${count[what] === 0 ? "text-mute" : what === "inactive" ? "text-clay font-semibold" : ""}`}
                >
                  {count[what].toLocaleString("en-GB")}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <ImportEntries key={fingerprint} view={view} />
    </div>
  );
}

type Count = NonNullable<ImportView["counts"]["users"]>;
const sum = ({ added, changed, restored, inactive }: Count) => added + changed + restored + inactive;

function Columns({
  view,
  busy,
  run,
}: {
  readonly view: ImportView;
  readonly busy: boolean;
  readonly run: ReturnType<typeof useRun>;
}) {
  return (
    <details
      className="border-hair mb-4 border-y py-2"
      open={ROSTER_FIELDS.slice(0, 3).some(
        (field) => view.mapping?.[field] === null && view.mapping?.fullName === null,
      )}
    >
      <summary>
        Columns:{" "}
        <span className="text-mute">
          {ROSTER_FIELDS.filter((field) => view.mapping?.[field] != null)
            .map((field) => ROSTER_FIELD_NAMES[field].toLowerCase())
            .join(", ")}
          . Change what each was taken for
        </span>
      </summary>
      <div className="mt-2 flex flex-wrap gap-x-6 gap-y-2">
        {ROSTER_FIELDS.map((field) => (
          <label key={field} className="flex items-center gap-2">
            <span className="text-mute">{ROSTER_FIELD_NAMES[field]}</span>
            <select
              className="word-edit bg-transparent"
              disabled={busy}
              value={view.mapping?.[field] ?? ""}
              onChange={(event) => {
                const column = event.target.value === "" ? null : Number(event.target.value);
                run(() => setColumnAction({ draftId: view.draftId, field, column }), null);
              }}
            >
              <option value="">not in the file</option>
              {view.headers.map((header, place) => (
                <option key={header} value={place}>
                  {header}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </details>
  );
}
