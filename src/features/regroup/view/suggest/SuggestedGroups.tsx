"use client";
import { DndContext, DragOverlay, PointerSensor, pointerWithin, useSensor, useSensors } from "@dnd-kit/core";
import { format, parseISO } from "date-fns";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { v7 } from "uuid";
import { usePullList } from "@/client/pull-list/pullList";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { contradictionWords } from "@/words/staff/groupWords";
import { makeGroupsAction } from "../../actions";
import { becauseOf, costOfMove, timesOf, worthOf } from "../../draftWorth";
import type { DraftGroup, SuggestionView } from "../../suggestTypes";
import { Place, POOL } from "../BoardRows";
import { useReteachNow } from "../useReteachNow";
import { GroupRow } from "./GroupRow";
import type { MoveTarget } from "./StudentCard";
import { useDrafts } from "./useDrafts";
import { WishesSentence } from "./WishesSentence";

/** Drags begin after a few pixels, so that a click stays a click. */
const DRAG_FROM_PIXELS = 6;

interface Props {
  readonly view: SuggestionView;
  readonly base: string;
  readonly classIds: readonly string[];
  /** The wishes as an address, for asking the server. */
  readonly address: string;
}

/** Groups for the coming times, each with its reason: found at once, made better by the server, and moved by the teacher. */
export function SuggestedGroups(props: Props) {
  const { view } = props;
  return (
    <section aria-labelledby="suggested">
      <h2 id="suggested" className="font-serif text-[20px] font-medium">
        Suggested groups for the coming times
      </h2>
      <WishesSentence view={view} />
      {view.contradiction ? (
        <p role="alert" className="border-clay mt-3 border-l-4 pl-3 text-[15px]">
          {contradictionWords(view.contradiction.wish, view.contradiction.names)}
        </p>
      ) : (
        // What the server found anew begins a board of its own.
        <Board key={`${props.address} ${JSON.stringify(view.limits)}`} {...props} />
      )}
    </section>
  );
}

function Board({ view, base, classIds, address }: Props) {
  const router = useRouter();
  const run = useRun(undoAction);
  const pull = usePullList();
  const drafts = useDrafts(view, address);
  const [names, setNames] = useState<Readonly<Record<string, string>>>({});
  const [dragged, setDragged] = useState<string | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PIXELS } }));
  const { groups } = drafts;
  const worth = useMemo(() => worthOf(view, groups), [view, groups]);
  const times = useMemo(() => timesOf(view, groups), [view, groups]);
  const studentName = (id: string) => view.students.find((one) => one.id === id)?.name ?? "";
  const titleOf = (group: DraftGroup) => {
    const skill = view.skills.find(({ id }) => id === group.skillId)?.name;
    const [explainer] = group.explainerIds;
    if (explainer !== undefined) return `${studentName(explainer)} explains ${skill ?? ""}`;
    return skill ?? `Group ${groups.indexOf(group) + 1}`;
  };
  const nameOf = (group: DraftGroup) =>
    names[group.key] ?? `${titleOf(group)}, ${format(parseISO(view.today), "d MMM")}`.slice(0, 60);
  const targets = (studentId: string): MoveTarget[] => {
    const from = groups.find(({ studentIds }) => studentIds.includes(studentId))?.key ?? null;
    return [
      ...groups
        .filter(({ key }) => key !== from && !drafts.locked.has(key))
        .map((group) => ({
          key: group.key,
          name: titleOf(group),
          cost: costOfMove(view, groups, studentId, group.key),
        })),
      ...(from === null ? [] : [{ key: null, name: "", cost: costOfMove(view, groups, studentId, null) }]),
    ];
  };
  const now = useReteachNow(base, classIds);
  const asMade = (group: DraftGroup) => ({
    id: v7(),
    name: nameOf(group),
    skillId: group.skillId,
    studentIds: group.studentIds,
    explainerIds: group.explainerIds,
    because: becauseOf(view, group),
    slots: [times[groups.indexOf(group)]?.slot].filter((slot) => slot != null),
  });
  const make = (chosen: readonly DraftGroup[]) => {
    const made = chosen.filter(({ studentIds }) => studentIds.length > 0).map(asMade);
    run(
      () => makeGroupsAction({ classIds, groups: made }),
      made.length === 1 ? `Made the group “${made[0]?.name}”.` : `Made ${made.length} groups.`,
      ({ groupIds }) => {
        const [only] = groupIds;
        if (groupIds.length === 1 && only && made[0]?.skillId) router.push(`${base}/regroup/${only}`);
        else router.refresh();
      },
    );
  };
  const filled = groups.filter(({ studentIds }) => studentIds.length > 0);
  const rest = view.students.filter(({ id }) => !groups.some(({ studentIds }) => studentIds.includes(id)));
  return (
    <DndContext
      sensors={sensors}
      // Where the pointer is, not where most of the card lies: groups are rows of cards.
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setDragged(String(active.id))}
      onDragCancel={() => setDragged(null)}
      onDragEnd={({ active, over }) => {
        setDragged(null);
        if (!over) return;
        const [id, to] = [String(active.id), over.id === POOL ? null : String(over.id)];
        if ((groups.find(({ studentIds }) => studentIds.includes(id))?.key ?? null) !== to) drafts.move(id, to);
      }}
    >
      <div className="mt-1 flex flex-wrap items-center justify-between gap-3 text-[15px]">
        <p aria-live="polite">
          {filled.length === 0 ? null : (
            <>
              {view.limits.purpose === "mixed" ? "Means alike: " : "Need met: "}
              <b>{Math.round(worth.score)} of 100</b>
              {view.limits.purpose === "need" ? `; ${SEARCHED[drafts.search]}` : ""}.{" "}
            </>
          )}
          {worth.broken.length > 0 ? (
            <span className="text-clay">Against your wishes: {worth.broken.join("; ")}.</span>
          ) : null}
        </p>
        <p className="flex flex-wrap gap-2">
          {drafts.offered ? <Button onClick={drafts.takeOffered}>Take the best groups instead</Button> : null}
          {drafts.moves > 0 ? <Button onClick={drafts.undo}>Undo move</Button> : null}
          {drafts.locked.size > 0 ? <Button onClick={drafts.recompute}>Make the others anew</Button> : null}
          {filled.length > 1 ? (
            <Button look="main" disabled={run.busy} onClick={() => make(filled)}>
              Make these {filled.length} groups
            </Button>
          ) : null}
        </p>
      </div>
      {groups.length === 0 ? <NoGroups view={view} base={base} /> : null}
      {groups.map((group, place) => (
        <GroupRow
          key={group.key}
          view={view}
          group={group}
          title={titleOf(group)}
          time={times[place] ?? { slot: null, minutes: null, clashes: [] }}
          base={base}
          name={nameOf(group)}
          setName={(name) => setNames({ ...names, [group.key]: name })}
          locked={drafts.locked.has(group.key)}
          lock={view.limits.purpose === "need" ? () => drafts.lock(group.key) : null}
          busy={run.busy || now.busy}
          make={() => make([group])}
          assign={group.skillId === null ? null : () => now.assign(asMade(group))}
          dragCost={
            dragged === null || group.studentIds.includes(dragged) ? null : costOfMove(view, groups, dragged, group.key)
          }
          targets={targets}
          move={drafts.move}
        />
      ))}
      {groups.length > 0 ? (
        <div className="border-hair mt-3 border-t pt-2.5 text-[14px]">
          <p className="text-mute">
            <b className="text-ink">
              {rest.length === 0 ? "Everybody is in a group." : `${rest.length} not in a group`}
            </b>
            {rest.length > 0 ? ", each with their own practice. " : " "}
            {rest.length > 0 ? (
              <Button
                look="quiet"
                className="px-0! text-[14px]!"
                onClick={() => pull.add(rest.map(({ id, name }) => ({ id, name, skillId: null })))}
              >
                Put them on the pull list
              </Button>
            ) : null}
          </p>
          <Place id={POOL} className="mt-1 flex min-h-8 flex-wrap gap-x-4 gap-y-1">
            {rest.map(({ id, name }) => (
              <li key={id} className="flex items-baseline gap-1.5">
                <SheetLink id={id}>{name}</SheetLink>
                {view.limits.absent.includes(id) ? <span className="text-mute">away</span> : null}
                <select
                  aria-label={`Put ${name} into a group`}
                  className="text-mute w-5 bg-transparent"
                  value=""
                  onChange={(event) => drafts.move(id, event.target.value)}
                >
                  <option value="">not in a group</option>
                  {groups
                    .filter(({ key }) => !drafts.locked.has(key))
                    .map((group) => (
                      <option key={group.key} value={group.key}>
                        {titleOf(group)}
                      </option>
                    ))}
                </select>
              </li>
            ))}
          </Place>
        </div>
      ) : null}
      <DragOverlay>
        {dragged ? <span className="bg-ink text-paper px-3 py-1.5 text-[15px]">{studentName(dragged)}</span> : null}
      </DragOverlay>
    </DndContext>
  );
}

const SEARCHED = {
  asked: "looking for better ones",
  optimal: "the best there are within these wishes",
  good: "good ones; time ran out before they were proven best",
  greedy: "found at once; one group cannot be as large as you wish",
  failed: "found at once; the server could not be reached for better ones",
} as const;

function NoGroups({ view, base }: { readonly view: SuggestionView; readonly base: string }) {
  const away = view.students.length > 0 && view.students.every(({ id }) => view.limits.absent.includes(id));
  return (
    <p className="text-mute border-hair mt-3 border-t py-4">
      {view.students.length === 0
        ? "Nobody is in this class yet. Add students in the roster."
        : away
          ? "Everybody is away. Take somebody back in the sentence above."
          : view.limits.purpose === "explain"
            ? "Nobody is sure enough of a skill that others need. Choose another focus, or groups of the same need."
            : "No group is needed within these wishes: nobody who is ready shares a gap with enough others, or nothing is known of them yet. Try smaller groups or another focus. Where nothing is known yet, a diagnostic tells most; "}
      {view.students.length > 0 && !away && view.limits.purpose !== "explain" ? (
        <>
          <Link href={`${base}/regroup/scores`} className="text-ink underline">
            scores from elsewhere
          </Link>{" "}
          tell a little.
        </>
      ) : null}
    </p>
  );
}
