"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { sayDone } from "@/client/notices";
import type { RosterEntry } from "@/core/roster/rosterDifference";
import { ROSTER_FIELD_NAMES, ROSTER_FIELDS, type RosterField } from "@/core/roster/rosterField";
import { undoAction } from "@/server/runtime/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { applyImportAction, setColumnAction } from "../actions";
import type { ImportPreview } from "../types";

const KINDS = ["refused", "added", "changed", "unchanged"] as const;
const FIELD_WORDS: Readonly<Record<string, string>> = {
  givenName: "given name",
  familyName: "family name",
  grade: "grade",
  email: "email",
  enrolled: "class",
};

/** What the file would do, row by row, before it does. */
export function ImportPreviewPage({ preview, base }: { readonly preview: ImportPreview; readonly base: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const of = (kind: RosterEntry["kind"]) => preview.entries.filter((entry) => entry.kind === kind);
  const usable = of("added").length + of("changed").length;
  const choose = (field: RosterField, column: number | null) =>
    start(async () => {
      const result = await setColumnAction({ draftId: preview.draftId, field, column });
      setProblem(result.ok ? null : result.message);
    });
  const apply = () =>
    start(async () => {
      const result = await applyImportAction({ draftId: preview.draftId, fingerprint: preview.fingerprint });
      if (!result.ok) {
        setProblem(result.message);
        return;
      }
      sayDone(`Imported into ${preview.className}: ${words(preview)}.`, () => undoAction(result.data.changeId));
      router.push(`${preview.isNewClass ? "/desk/all" : base}/roster`);
    });
  return (
    <div className="px-5 py-4">
      <PageHead
        title={`${preview.fileName} into ${preview.className}`}
        sub={`${preview.entries.length} rows: ${words(preview)}. Nothing has changed yet.`}
      >
        <ButtonLink href={`${base}/roster/import`}>Another file</ButtonLink>
        {preview.applied ? (
          <ButtonLink look="main" href={`${base}/roster`}>
            Applied: to the roster
          </ButtonLink>
        ) : (
          <Button look="main" disabled={busy || usable === 0} onClick={apply}>
            {usable === 0 ? "Nothing to apply" : `Apply ${usable} ${usable === 1 ? "row" : "rows"}`}
          </Button>
        )}
      </PageHead>
      {problem ? (
        <p role="alert" className="border-clay mb-3 border-l-4 pl-3">
          {problem}
        </p>
      ) : null}
      {preview.notes.map((note) => (
        <p key={note} className="border-clay mb-3 border-l-4 pl-3 text-[15px]">
          {note}
        </p>
      ))}
      <section
        aria-label="Columns"
        className="border-hair mb-4 flex flex-wrap gap-x-6 gap-y-2 border-y py-2.5 text-[15px]"
      >
        {ROSTER_FIELDS.map((field) => (
          <label key={field} className="flex items-center gap-2">
            <span className="text-mute">{ROSTER_FIELD_NAMES[field]}</span>
            <select
              className="word-edit bg-transparent"
              disabled={busy || preview.applied}
              value={preview.mapping[field] ?? ""}
              onChange={(event) => choose(field, event.target.value === "" ? null : Number(event.target.value))}
            >
              <option value="">not in the file</option>
              {preview.headers.map((header, place) => (
                <option key={header} value={place}>
                  {header}
                </option>
              ))}
            </select>
          </label>
        ))}
      </section>
      <table className="w-full text-[15px]">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="w-14 py-1 font-normal">Row</th>
            <th className="w-28 font-normal">Will be</th>
            <th className="w-28 font-normal">Number</th>
            <th className="w-64 font-normal">Name</th>
            <th className="w-16 font-normal">Grade</th>
            <th className="font-normal">What changes, or why not</th>
          </tr>
        </thead>
        <tbody>
          {KINDS.flatMap((kind) => of(kind)).map((entry) => (
            <EntryRow key={entry.row} entry={entry} />
          ))}
        </tbody>
      </table>
      {preview.notInFile.length > 0 ? (
        <p className="text-mute mt-3 text-[14px]">
          In the class but not in the file, and left as they are: {preview.notInFile.join(", ")}.
        </p>
      ) : null}
    </div>
  );
}

function words(preview: ImportPreview): string {
  const parts = KINDS.map((kind) => ({
    kind,
    count: preview.entries.filter((entry) => entry.kind === kind).length,
  })).filter(({ count }) => count > 0);
  return parts.map(({ kind, count }) => `${count} ${kind}`).join(", ");
}

function EntryRow({ entry }: { readonly entry: RosterEntry }) {
  if (entry.kind === "refused") {
    return (
      <tr className="border-hair border-t">
        <td className="py-1">{entry.row}</td>
        <td className="text-clay font-semibold">refused</td>
        <td colSpan={3} className="text-mute truncate">
          {entry.cells.filter((cell) => cell !== "").join(", ")}
        </td>
        <td className="text-clay">{entry.reason}</td>
      </tr>
    );
  }
  const { values } = entry;
  return (
    <tr className="border-hair border-t">
      <td className="py-1">{entry.row}</td>
      <td className={entry.kind === "unchanged" ? "text-mute" : "font-semibold"}>{entry.kind}</td>
      <td>{values.studentNumber}</td>
      <td>
        {values.givenName} {values.familyName}
      </td>
      <td>{values.grade}</td>
      <td className="text-mute">
        {entry.kind === "changed"
          ? entry.changes
              .map(({ field, from, to }) => `${FIELD_WORDS[field]}: ${from === "" ? "empty" : from} → ${to}`)
              .join("; ")
          : entry.kind === "added"
            ? (values.email ?? "")
            : ""}
      </td>
    </tr>
  );
}
