"use client";
import { DndContext, type DragEndEvent, DragOverlay, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import { parseAsString, useQueryState } from "nuqs";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { moveMembersAction } from "../actions";
import type { BoardView } from "../types";
import { BoardGroupHead } from "./BoardGroupHead";
import { Member, Place, POOL, PoolRow } from "./BoardRows";
import { GroupForm } from "./GroupForm";
import { PastedNames } from "./PastedNames";

/** Drags begin after a few pixels, so that a click stays a click. */
const DRAG_FROM_PIXELS = 6;

/**
 * Students at the left, groups at the right. A student is dragged into a group, or moved by the menu on the name; each move
 * is kept at once, with an undo. The students are found by need, by class, by pasted names or from the pull list.
 */
export function GroupBoard({ view, base }: { readonly view: BoardView; readonly base: string }) {
  const run = useRun(undoAction);
  const pull = usePullList();
  const [, setSkill] = useQueryState("skill", parseAsString.withOptions({ shallow: false }));
  const [inClass, setInClass] = useState("");
  const [onlyNeed, setOnlyNeed] = useState(false);
  const [onlyPulled, setOnlyPulled] = useState(false);
  const [named, setNamed] = useState<readonly string[] | null>(null);
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [making, setMaking] = useState(false);
  const [dragged, setDragged] = useState<string | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PIXELS } }));
  const shown = view.students.filter(
    ({ id, classIds, needs }) =>
      (inClass === "" || classIds.includes(inClass)) &&
      (!onlyNeed || needs) &&
      (!onlyPulled || pull.has(id)) &&
      (named === null || named.includes(id)),
  );
  const pool = view.skillId ? [...shown].sort((x, y) => (x.chance ?? 2) - (y.chance ?? 2)) : shown;
  const nameOf = (id: string) =>
    view.students.find((student) => student.id === id)?.name ??
    view.groups.flatMap(({ others }) => others).find((student) => student.id === id)?.name ??
    "";
  const move = (studentIds: readonly string[], fromGroupId: string | null, toGroupId: string | null) => {
    if (fromGroupId === toGroupId) return;
    const who = studentIds.length === 1 ? nameOf(studentIds[0] ?? "") : `${studentIds.length} students`;
    const to = view.groups.find(({ id }) => id === toGroupId);
    const from = view.groups.find(({ id }) => id === fromGroupId);
    const words = to ? `${who} ${from ? "moved" : "joined"} “${to.name}”.` : `${who} left “${from?.name ?? ""}”.`;
    run(
      () => moveMembersAction({ studentIds, fromGroupId, toGroupId }),
      words,
      () => setPicked(new Set()),
    );
  };
  const drop = ({ active, over }: DragEndEvent) => {
    setDragged(null);
    const [from = "", id = ""] = String(active.id).split(" ");
    if (!over || from === over.id) return;
    const ids = from === POOL && picked.has(id) ? [...picked] : [id];
    move(ids, from === POOL ? null : from, over.id === POOL ? null : String(over.id));
  };
  const chosen = pool.filter(({ id }) => picked.has(id));
  return (
    <DndContext
      sensors={sensors}
      onDragStart={({ active }) => setDragged(String(active.id).split(" ")[1] ?? null)}
      onDragCancel={() => setDragged(null)}
      onDragEnd={drop}
    >
      <div className="px-5 py-4 text-[15px]">
        <PageHead
          title="Group board"
          sub="Drag a name into a group, or open its menu. A student can be in any number of groups."
        >
          <ButtonLink href={`${base}/regroup`}>Suggested groups</ButtonLink>
          <Button look="main" onClick={() => setMaking(true)}>
            {chosen.length > 0 ? `New group of ${chosen.length}` : "New group"}
          </Button>
        </PageHead>
        <div className="grid gap-6 lg:grid-cols-[22rem_minmax(0,1fr)]">
          <section aria-label="Students">
            <div className="mb-2 flex flex-wrap items-center gap-2">
              <select
                className={`${FIELD} max-w-full`}
                aria-label="Order by need in"
                value={view.skillId ?? ""}
                onChange={(event) => setSkill(event.target.value || null)}
              >
                <option value="">by name</option>
                {view.skills.map(({ id, name }) => (
                  <option key={id} value={id}>
                    by need in {name}
                  </option>
                ))}
              </select>
              {view.classes.length > 1 ? (
                <select
                  className={FIELD}
                  aria-label="Class"
                  value={inClass}
                  onChange={(event) => setInClass(event.target.value)}
                >
                  <option value="">every class</option>
                  {view.classes.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              ) : null}
              {view.skillId ? (
                <label className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    className="accent-clay"
                    checked={onlyNeed}
                    onChange={(event) => setOnlyNeed(event.target.checked)}
                  />
                  not Secure yet
                </label>
              ) : null}
              {pull.entries.length > 0 ? (
                <label className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    className="accent-clay"
                    checked={onlyPulled}
                    onChange={(event) => setOnlyPulled(event.target.checked)}
                  />
                  on the pull list
                </label>
              ) : null}
              <PastedNames
                students={view.students}
                found={(ids) => {
                  setNamed(ids);
                  setPicked(new Set(ids));
                }}
              />
              {named ? (
                <Button look="quiet" className="px-0!" onClick={() => setNamed(null)}>
                  Show all again
                </Button>
              ) : null}
            </div>
            <p className="text-mute mb-1" aria-live="polite">
              {picked.size > 0 ? `${picked.size} picked; they move together. ` : `${pool.length} students. `}
              {picked.size > 0 ? (
                <Button look="quiet" className="px-0!" onClick={() => setPicked(new Set())}>
                  Pick none
                </Button>
              ) : pool.length > 0 ? (
                <Button look="quiet" className="px-0!" onClick={() => setPicked(new Set(pool.map(({ id }) => id)))}>
                  Pick all
                </Button>
              ) : null}
            </p>
            <Place id={POOL} className="max-h-[66vh] overflow-y-auto">
              {pool.map((student) => (
                <PoolRow
                  key={student.id}
                  student={student}
                  groups={view.groups}
                  picked={picked.has(student.id)}
                  pick={(on) => {
                    const next = new Set(picked);
                    if (on) next.add(student.id);
                    else next.delete(student.id);
                    setPicked(next);
                  }}
                  move={(toGroupId) => move(picked.has(student.id) ? [...picked] : [student.id], null, toGroupId)}
                />
              ))}
              {pool.length === 0 ? <li className="text-mute py-3">Nobody fits. Loosen the choices above.</li> : null}
            </Place>
          </section>
          <section aria-label="Groups" className="grid content-start items-start gap-4 md:grid-cols-2">
            {view.groups.length === 0 ? (
              <p className="text-mute py-3">
                No groups yet. Pick students at the left, then make one; or begin with an empty group and drag.
              </p>
            ) : null}
            {view.groups.map((group) => (
              <article
                key={group.id}
                aria-label={group.name}
                className="border-ink border-t-2 pt-2"
                data-group={group.name}
              >
                <BoardGroupHead group={group} view={view} base={base} />
                <Place id={group.id} disabled={!group.mayChange} className="min-h-16">
                  {group.memberIds.map((id) => (
                    <Member
                      key={id}
                      id={id}
                      name={nameOf(id)}
                      group={group}
                      groups={view.groups}
                      move={(toGroupId) => move([id], group.id, toGroupId)}
                    />
                  ))}
                  {group.memberIds.length === 0 ? <li className="text-mute py-2">Nobody yet.</li> : null}
                </Place>
              </article>
            ))}
          </section>
        </div>
      </div>
      <DragOverlay>
        {dragged ? (
          <span className="bg-ink text-paper px-3 py-1.5 text-[15px]">
            {picked.has(dragged) && picked.size > 1 ? `${picked.size} students` : nameOf(dragged)}
          </span>
        ) : null}
      </DragOverlay>
      {making ? (
        <GroupForm view={view} members={chosen} close={() => setMaking(false)} done={() => setPicked(new Set())} />
      ) : null}
    </DndContext>
  );
}
