"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { v7 } from "uuid";
import { sayDone, sayProblem } from "@/client/notices";
import { usePullList } from "@/client/pull-list/pullList";
import { undoAction } from "@/server/history/undoAction";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import { makeGroupsAction } from "../actions";
import type { Chip, SuggestedGroup, Suggestions } from "../types";
import { LimitsSentence } from "./LimitsSentence";

/** Groups by need, each with its reason; any member can be left out before the group is made. */
export function SuggestedGroups(props: {
  readonly view: Suggestions;
  readonly base: string;
  readonly classIds: readonly string[];
}) {
  const { view, base, classIds } = props;
  const router = useRouter();
  const pull = usePullList();
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const [names, setNames] = useState<Readonly<Record<string, string>>>({});
  const [busy, start] = useTransition();
  const membersOf = (group: SuggestedGroup) => group.members.filter(({ id }) => !leftOut.has(`${group.skillId} ${id}`));
  const flip = (key: string) =>
    setLeftOut((now) => {
      const next = new Set(now);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  const make = (groups: readonly SuggestedGroup[]) =>
    start(async () => {
      const made = groups
        .map((group) => ({
          id: v7(),
          name: names[group.skillId] ?? group.suggestedName,
          skillId: group.skillId,
          studentIds: membersOf(group).map(({ id }) => id),
        }))
        .filter(({ studentIds }) => studentIds.length > 0);
      const result = await makeGroupsAction({ classIds, groups: made });
      if (!result.ok) {
        sayProblem(result.message);
        return;
      }
      const { changeId, groupIds } = result.data;
      sayDone(
        made.length === 1 ? `Made the group “${made[0]?.name}”.` : `Made ${made.length} groups.`,
        changeId ? () => undoAction(changeId) : undefined,
      );
      if (groupIds.length === 1) router.push(`${base}/regroup/${groupIds[0]}`);
    });
  return (
    <section aria-labelledby="suggested">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <div>
          <h2 id="suggested" className="font-serif text-[20px] font-medium">
            Suggested groups for this week
          </h2>
          <LimitsSentence {...view} />
        </div>
        {view.groups.length > 1 ? (
          <Button look="main" disabled={busy} onClick={() => make(view.groups)}>
            Make these {view.groups.length} groups
          </Button>
        ) : null}
      </div>
      {view.groups.length === 0 ? (
        <p className="text-mute border-hair mt-3 border-t py-4">
          No group is needed within these limits: nobody who is ready shares a gap with enough others. Try smaller
          groups or the whole strand.
        </p>
      ) : null}
      {view.groups.map((group) => (
        <article
          key={group.skillId}
          className="border-hair mt-3 grid gap-x-6 gap-y-2 border-t pt-3 lg:grid-cols-[19rem_minmax(0,1fr)_13rem]"
        >
          <div>
            <h3 className="font-serif text-[18px] leading-tight font-medium">
              {group.skillName}
              {group.grade < 6 ? ` (grade ${group.grade})` : ""}
            </h3>
            <p className="text-mute mt-1 text-[14px]">{group.because}</p>
          </div>
          <ul className="flex flex-wrap content-start gap-2">
            {group.members.map((member) => (
              <ChipCard
                key={member.id}
                member={member}
                out={leftOut.has(`${group.skillId} ${member.id}`)}
                flip={() => flip(`${group.skillId} ${member.id}`)}
              />
            ))}
          </ul>
          <div className="border-hair text-[14px] lg:border-l lg:pl-4">
            <label className="block">
              <span className="text-mute">Name</span>
              <input
                className="border-hair w-full border-b bg-transparent py-0.5"
                value={names[group.skillId] ?? group.suggestedName}
                maxLength={60}
                onChange={(event) => setNames({ ...names, [group.skillId]: event.target.value })}
              />
            </label>
            <p className="mt-1.5">
              <span className="bg-gauge block h-1.5" style={{ background: "var(--gauge)" }} aria-hidden>
                <i className="bg-water block h-full" style={{ width: `${Math.min(100, group.needMet * 100)}%` }} />
              </span>
              <span title="How much of their greatest need this group serves">
                need met: {Math.round(group.needMet * 100)} of 100
              </span>
            </p>
            <div className="mt-1.5 flex flex-wrap gap-2">
              <Button disabled={busy || membersOf(group).length === 0} onClick={() => make([group])}>
                Make this group
              </Button>
              <ButtonLink look="quiet" className="px-0!" href={`${base}/library/${group.skillId}`}>
                Its plan
              </ButtonLink>
            </div>
          </div>
        </article>
      ))}
      {view.notGrouped.length > 0 && view.groups.length > 0 ? (
        <p className="text-mute border-hair mt-3 border-t pt-2.5 text-[14px]">
          <b className="text-ink">{view.notGrouped.length} not in a group</b>, each with their own practice:{" "}
          {view.notGrouped.map((student, place) => (
            <span key={student.id}>
              {place > 0 ? ", " : ""}
              <SheetLink id={student.id}>{student.name}</SheetLink>
            </span>
          ))}
          .{" "}
          <Button
            look="quiet"
            className="px-0! text-[14px]!"
            onClick={() => pull.add(view.notGrouped.map((student) => ({ ...student, skillId: null })))}
          >
            Put them on the pull list
          </Button>
        </p>
      ) : null}
    </section>
  );
}

function ChipCard({ member, out, flip }: { readonly member: Chip; readonly out: boolean; readonly flip: () => void }) {
  return (
    <li
      className={`border-hair bg-field w-[10.6rem] border-[1.5px] px-2.5 py-1.5 text-[14px] ${out ? "opacity-45" : ""}`}
    >
      <span className="flex items-center justify-between gap-2">
        <SheetLink id={member.id} className={`truncate font-semibold ${out ? "line-through" : ""}`}>
          {member.name}
        </SheetLink>
        <span title={gaugeWords(member)}>
          <Gauge {...member} className="h-4 w-6" />
        </span>
      </span>
      <span className="block">
        <span className="text-mute block text-[13px] leading-tight">{member.evidence}</span>
        <button
          type="button"
          className="text-[13px] underline underline-offset-2"
          onClick={flip}
          aria-label={out ? `Take ${member.name} in again` : `Leave ${member.name} out`}
        >
          {out ? "take in" : "leave out"}
        </button>
      </span>
    </li>
  );
}
