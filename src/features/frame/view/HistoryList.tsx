"use client";
import { parseAsString, useQueryStates } from "nuqs";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { CHANGE_AREAS } from "@/core/model/changeArea";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { HistoryArea, HistoryPage } from "../types";

const AREA_WORDS: Readonly<Record<HistoryArea, string>> = {
  "sign-in": "signing in",
  export: "taken out",
  roster: "roster",
  rights: "rights and PINs",
  scores: "scores",
  plan: "plan",
  work: "work",
  groups: "groups",
  supports: "supports",
  library: "library",
  privacy: "privacy",
};

/** Every change and export, newest first, what can be taken back with its undo; and, asked for apart, who signed in. */
export function HistoryList({ page }: { readonly page: HistoryPage }) {
  const run = useRun(undoAction);
  const [search, setSearch] = useQueryStates(
    { find: parseAsString.withDefault(""), area: parseAsString.withDefault(""), before: parseAsString },
    { shallow: false, history: "push" },
  );
  const [find, setFind] = useState(search.find);
  const last = page.entries.at(-1);
  const filtered = search.find !== "" || search.area !== "" || search.before !== null;
  return (
    <>
      <form
        className="mb-2 flex flex-wrap items-center gap-4 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          void setSearch({ find: find || null, before: null });
        }}
      >
        <label>
          <span className="sr-only">Find in the history</span>
          <input
            className="border-hair w-72 border-b bg-transparent px-1 py-1"
            placeholder="A name, or words of what was done"
            value={find}
            onChange={(event) => setFind(event.target.value)}
          />
        </label>
        <label>
          <span className="sr-only">About</span>
          <select
            className={FIELD}
            value={search.area}
            onChange={(event) => setSearch({ area: event.target.value || null, before: null })}
          >
            <option value="">all changes</option>
            {CHANGE_AREAS.map((area) => (
              <option key={area} value={area}>
                {AREA_WORDS[area]}
              </option>
            ))}
            <option value="sign-in">who signed in</option>
          </select>
        </label>
        <Button type="submit">Find</Button>
        {filtered ? (
          <Button
            look="quiet"
            onClick={() => {
              setFind("");
              void setSearch({ find: null, area: null, before: null });
            }}
          >
            Show all changes
          </Button>
        ) : null}
      </form>
      {page.entries.length === 0 ? (
        <p className="text-mute py-4">
          {search.area === "sign-in" && search.find === "" && search.before === null
            ? "Nobody has signed in yet."
            : filtered
              ? "Nothing like that is in the history."
              : "Nothing has been changed yet. Every change is listed here and can be undone."}
        </p>
      ) : (
        <table className="w-full max-w-6xl text-[15px]">
          <thead className="text-mute text-left text-[14px]">
            <tr>
              <th className="w-40 py-1.5 font-normal">When</th>
              <th className="w-36 font-normal">About</th>
              <th className="font-normal">What</th>
              <th className="w-44 font-normal">Who</th>
              <th className="w-24" />
            </tr>
          </thead>
          <tbody>
            {page.entries.map((entry) => (
              <tr key={entry.id} className="border-hair border-t align-top">
                <td className="py-1.5">{entry.when}</td>
                <td className="text-mute py-1.5">{AREA_WORDS[entry.area]}</td>
                <td className={`py-1.5 pr-4 ${entry.undone ? "text-mute line-through" : ""}`}>{entry.sentence}</td>
                <td className="py-1.5">{entry.who}</td>
                <td className="py-0.5 text-right">
                  {entry.undone ? (
                    <span className="text-mute">undone</span>
                  ) : entry.mayUndo ? (
                    <Button
                      look="quiet"
                      disabled={run.busy}
                      onClick={() =>
                        run(
                          () => undoAction(entry.id),
                          (said) => `Undone: ${said}`,
                        )
                      }
                    >
                      Undo
                    </Button>
                  ) : null}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {page.more && last ? (
        <Button className="mt-3" onClick={() => setSearch({ before: last.id })}>
          Older entries
        </Button>
      ) : null}
    </>
  );
}
