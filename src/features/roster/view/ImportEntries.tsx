"use client";
import { useState } from "react";
import { sayProblem } from "@/client/notices";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { EntryPage, EntryView, ImportView } from "../types";

const WHAT = [
  ["all", "every change"],
  ["added", "added"],
  ["changed", "changed"],
  ["moved", "moved to another class"],
  ["inactive", "made inactive"],
  ["restored", "back again"],
] as const;
const WORDS: Readonly<Record<EntryView["what"], string>> = {
  added: "added",
  changed: "changed",
  moved: "moved",
  inactive: "inactive",
  restored: "back again",
};

/** Every single change, some at a time. */
export function ImportEntries({ view }: { readonly view: ImportView }) {
  const [what, setWhat] = useState<string>("all");
  const [page, setPage] = useState<EntryPage>(view.firstPage);
  const [busy, setBusy] = useState(false);
  const load = async (kind: string, from: number) => {
    setBusy(true);
    try {
      const response = await fetch(
        `/api/roster/drafts/${encodeURIComponent(view.draftId)}/entries?what=${kind}&from=${from}`,
      );
      const body = await response.json();
      if (!response.ok) throw new Error(body.message);
      const next = body as EntryPage;
      setWhat(kind);
      setPage(from === 0 ? next : { ...next, from: 0, entries: [...page.entries, ...next.entries] });
    } catch (error) {
      sayProblem(error instanceof Error ? error.message : "The changes could not be loaded. Try again.");
    } finally {
      setBusy(false);
    }
  };
  if (view.firstPage.total === 0)
    return <p className="py-2">Nothing would change: the file says what is here already.</p>;
  return (
    <section aria-labelledby="entries">
      <div className="mb-1 flex items-center gap-4">
        <h2 id="entries" className="font-serif text-[19px] font-medium">
          What would change
        </h2>
        <label>
          <span className="sr-only">Show</span>
          <select className={FIELD} value={what} disabled={busy} onChange={(event) => load(event.target.value, 0)}>
            {WHAT.map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <span className="text-mute">{page.total.toLocaleString("en-GB")}</span>
      </div>
      <table className="w-full max-w-6xl">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="w-16 py-1 font-normal">Row</th>
            <th className="w-28 font-normal">Will be</th>
            <th className="w-28 font-normal">What</th>
            <th className="w-72 font-normal">Name</th>
            <th className="font-normal">Details</th>
          </tr>
        </thead>
        <tbody>
          {page.entries.map((entry) => (
            <tr key={entry.key} className="border-hair border-t">
              <td className="text-mute py-1">{entry.row ?? "none"}</td>
              <td className={entry.what === "inactive" ? "text-clay font-semibold" : "font-semibold"}>
                {WORDS[entry.what]}
              </td>
              <td className="text-mute">{entry.kind}</td>
              <td>{entry.name}</td>
              <td className="text-mute">{entry.detail}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {page.entries.length < page.total ? (
        <Button className="mt-2" disabled={busy} onClick={() => load(what, page.entries.length)}>
          {busy ? "Loading…" : `Show more, ${(page.total - page.entries.length).toLocaleString("en-GB")} left`}
        </Button>
      ) : null}
    </section>
  );
}
