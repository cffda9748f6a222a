"use client";
import { useDraggable, useDroppable } from "@dnd-kit/core";
import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import type { BoardGroup, BoardStudent } from "../types";

/** Name of the place where the students stand who are dragged into groups. */
export const POOL = "pool";

/** Where students can be dropped. */
export function Place({
  id,
  disabled = false,
  className,
  children,
}: {
  readonly id: string;
  readonly disabled?: boolean;
  readonly className: string;
  readonly children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id, disabled });
  return (
    <ul ref={setNodeRef} data-place={id} className={`${className} ${isOver ? "bg-bank outline-water outline-2" : ""}`}>
      {children}
    </ul>
  );
}

/** A student at the left. */
export function PoolRow({
  student,
  groups,
  picked,
  pick,
  move,
}: {
  readonly student: BoardStudent;
  readonly groups: readonly BoardGroup[];
  readonly picked: boolean;
  readonly pick: (on: boolean) => void;
  readonly move: (toGroupId: string | null) => void;
}) {
  const { setNodeRef, listeners } = useDraggable({ id: `${POOL} ${student.id}` });
  const own = groups.filter(({ memberIds }) => memberIds.includes(student.id));
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      className="border-hair flex cursor-grab touch-none items-center gap-2 border-t py-1"
      data-student={student.name}
    >
      <input
        type="checkbox"
        className="accent-clay"
        checked={picked}
        aria-label={`Pick ${student.name}`}
        onChange={(event) => pick(event.target.checked)}
      />
      <span className="min-w-0 flex-1 truncate">
        <MoveMenu
          name={student.name}
          from={null}
          groups={groups.filter((group) => group.mayChange && !own.includes(group))}
          move={move}
        />
        <span className="text-mute text-[14px]">
          {" "}
          {student.classNames}
          {student.grade === null ? "" : `, gr. ${student.grade}`}
        </span>
      </span>
      {student.chance !== null ? (
        <span className={student.needs ? "font-semibold" : "text-mute"} title="Chance of mastery">
          {Math.round(student.chance * 100)} %
        </span>
      ) : null}
      {own.map(({ id, label, name }) => (
        <span key={id} title={`In “${name}”`} className="border-hair border px-1 text-[13px]">
          {label}
        </span>
      ))}
    </li>
  );
}

/** A student in a group. */
export function Member({
  id,
  name,
  group,
  groups,
  move,
}: {
  readonly id: string;
  readonly name: string;
  readonly group: BoardGroup;
  readonly groups: readonly BoardGroup[];
  readonly move: (toGroupId: string | null) => void;
}) {
  const { setNodeRef, listeners } = useDraggable({ id: `${group.id} ${id}`, disabled: !group.mayChange });
  const others = groups.filter((other) => other.id !== group.id && other.mayChange && !other.memberIds.includes(id));
  return (
    <li ref={setNodeRef} {...listeners} className="border-hair cursor-grab touch-none border-t py-1">
      {group.mayChange ? (
        <MoveMenu name={name} from={group} groups={others} move={move} />
      ) : (
        <span data-name>{name}</span>
      )}
    </li>
  );
}

/** The keyboard's way of dragging: the name opens where it can go. */
function MoveMenu({
  name,
  from,
  groups,
  move,
}: {
  readonly name: string;
  readonly from: BoardGroup | null;
  readonly groups: readonly BoardGroup[];
  readonly move: (toGroupId: string | null) => void;
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className="decoration-hair underline-offset-3 hover:underline"
        aria-label={`${name}: move`}
        onPointerDown={(event) => event.preventDefault()}
        asChild
      >
        <button type="button" data-name>
          {name}
        </button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          className="bg-paper border-ink z-50 min-w-52 border-[1.5px] p-1.5 text-[15px] shadow-lg"
        >
          {groups.map((group) => (
            <DropdownMenu.Item
              key={group.id}
              className="data-highlighted:bg-bank cursor-pointer px-3 py-1.5 outline-none"
              onSelect={() => move(group.id)}
            >
              {from ? "Move to" : "Put into"} “{group.name}”
            </DropdownMenu.Item>
          ))}
          {from ? (
            <DropdownMenu.Item
              className="data-highlighted:bg-bank cursor-pointer px-3 py-1.5 outline-none"
              onSelect={() => move(null)}
            >
              Take out of “{from.name}”
            </DropdownMenu.Item>
          ) : groups.length === 0 ? (
            <p className="text-mute px-3 py-1.5">There is no other group yet.</p>
          ) : null}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
