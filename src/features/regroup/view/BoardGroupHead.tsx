"use client";
import Link from "next/link";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { dayWords } from "@/words/staff/dayWords";
import { slotWords } from "@/words/staff/slotWords";
import { archiveGroupAction, endGroupShareAction, shareGroupAction } from "../actions";
import type { BoardGroup, BoardView } from "../types";
import { GroupForm } from "./GroupForm";

/** A group on the board: what it is for, when it meets, who shares it, who clashes and who was in it. */
export function BoardGroupHead({
  group,
  view,
  base,
}: {
  readonly group: BoardGroup;
  readonly view: BoardView;
  readonly base: string;
}) {
  const run = useRun(undoAction);
  const [editing, setEditing] = useState(false);
  const [colleague, setColleague] = useState("");
  const groupId = group.id;
  return (
    <header className="mb-1">
      <div className="flex items-start justify-between gap-3">
        <h2 className="font-serif text-[18px] leading-tight font-medium">
          <span className="border-ink mr-2 inline-block min-w-8 border px-1 text-center font-sans text-[13px] font-semibold">
            {group.label}
          </span>
          {group.skillId ? (
            <Link className="decoration-hair underline underline-offset-3" href={`${base}/regroup/${group.id}`}>
              {group.name}
            </Link>
          ) : (
            group.name
          )}{" "}
          <span className="text-mute font-sans text-[15px]">{group.memberIds.length}</span>
        </h2>
        {group.mayChange ? (
          <Button look="quiet" className="px-0!" onClick={() => setEditing(true)}>
            Change
          </Button>
        ) : null}
      </div>
      <p className="text-mute text-[14px]">
        {[
          group.purpose,
          group.subject,
          `since ${dayWords(group.fromDay)}`,
          group.untilDay ? `until ${dayWords(group.untilDay)}` : "",
          ...group.slots.map(slotWords),
        ]
          .filter(Boolean)
          .join("; ")}
        . {group.ownerName}'s
        {group.shares.length > 0
          ? `, shared with ${group.shares.map(({ name, until }) => (until ? `${name} until ${dayWords(until)}` : name)).join(", ")}`
          : ""}
        .{" "}
        {group.mayShare ? (
          <WordEdit word="Share" label="Colleagues">
            <div className="w-64 space-y-2">
              {group.shares.map((share) => (
                <p key={share.id} className="flex justify-between gap-3">
                  {share.name}
                  <button
                    type="button"
                    className="underline"
                    disabled={run.busy}
                    onClick={() =>
                      run(
                        () => endGroupShareAction({ groupId, shareId: share.id }),
                        `${share.name} no longer shares “${group.name}”.`,
                      )
                    }
                  >
                    end
                  </button>
                </p>
              ))}
              <select
                className={`${FIELD} w-full`}
                aria-label="Colleague"
                value={colleague}
                onChange={(event) => setColleague(event.target.value)}
              >
                <option value="">choose a colleague</option>
                {view.colleagues.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
              <Button
                disabled={run.busy || colleague === ""}
                onClick={() =>
                  run(
                    () => shareGroupAction({ groupId, personId: colleague }),
                    `Shared “${group.name}”.`,
                    () => setColleague(""),
                  )
                }
              >
                Share the group
              </Button>
            </div>
          </WordEdit>
        ) : null}{" "}
        {group.mayShare ? (
          <button
            type="button"
            className="underline underline-offset-3"
            disabled={run.busy}
            onClick={() => run(() => archiveGroupAction(groupId), `Put “${group.name}” away.`)}
          >
            Put away
          </button>
        ) : null}
      </p>
      {group.clashes.length > 0 ? (
        <ul className="border-clay my-1 border-l-4 pl-2.5 text-[14px]">
          {group.clashes.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      ) : null}
      {group.past.length > 0 ? (
        <details className="text-mute text-[14px]">
          <summary>{group.past.length} were in it before</summary>
          <ul>
            {group.past.map((words) => (
              <li key={words} data-name>
                {words}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      {editing ? (
        <GroupForm view={view} group={group} members={[]} close={() => setEditing(false)} done={() => {}} />
      ) : null}
    </header>
  );
}
