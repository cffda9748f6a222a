"use client";
import { useTransition } from "react";
import { sayDone, sayProblem } from "@/client/notices";
import { undoAction } from "@/server/runtime/undoAction";
import { Button } from "@/ui/primitives/Button";
import type { HistoryEntry } from "../types";

export function HistoryList({ entries }: { readonly entries: readonly HistoryEntry[] }) {
  const [busy, start] = useTransition();
  if (entries.length === 0)
    return (
      <p className="text-mute">
        Nothing has been changed yet. Every change to rosters, work and groups is listed here and can be undone.
      </p>
    );
  const undo = (id: string) =>
    start(async () => {
      const result = await undoAction(id);
      if (result.ok) sayDone(`Undone: ${result.data}`);
      else sayProblem(result.message);
    });
  return (
    <table className="w-full text-[15px]">
      <thead className="text-mute text-left">
        <tr>
          <th className="w-44 py-1.5 font-normal">When</th>
          <th className="font-normal">What</th>
          <th className="w-48 font-normal">Who</th>
          <th className="w-24" />
        </tr>
      </thead>
      <tbody>
        {entries.map((entry) => (
          <tr key={entry.id} className="border-hair border-t">
            <td className="py-1.5">{entry.when}</td>
            <td className={entry.undone ? "text-mute line-through" : ""}>{entry.summary}</td>
            <td>{entry.who}</td>
            <td className="text-right">
              {entry.undone ? (
                <span className="text-mute">undone</span>
              ) : (
                <Button look="quiet" disabled={busy} onClick={() => undo(entry.id)}>
                  Undo
                </Button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
