"use client";
import { Popover } from "radix-ui";
import type { ReactNode } from "react";
import { askForGroup } from "@/client/pull-list/askForGroup";
import { usePullList } from "@/client/pull-list/pullList";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";

export interface SomeStudent {
  readonly id: string;
  readonly name: string;
}

/** A mark that stands for students: hovered or focused it names them, opened it lists them, puts them on the pull list, and leads on. */
export function Who({
  students,
  named = students,
  skillId,
  what,
  children,
  more,
  className = "",
}: {
  readonly students: readonly SomeStudent[];
  /** The same by their names alone, where the others say more than the name. */
  readonly named?: readonly SomeStudent[];
  /** The skill that they are pulled for; null for none. */
  readonly skillId: string | null;
  /** Whom the mark means: "missed item 3". */
  readonly what: string;
  readonly children: ReactNode;
  readonly more?: ReactNode;
  readonly className?: string;
}) {
  const pull = usePullList();
  if (students.length === 0) return <span className={`text-mute ${className}`}>{children}</span>;
  const add = () => pull.add(named.map(({ id, name }) => ({ id, name, skillId })));
  const names = students.map(({ name }) => name).join(", ");
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`decoration-hair text-left underline underline-offset-3 hover:decoration-ink ${className}`}
        title={names}
        aria-label={`${students.length} ${what}`}
        onKeyDown={(event) => {
          if (event.key === "p") add();
        }}
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          className="bg-paper border-ink z-50 max-h-(--radix-popover-content-available-height) w-72 overflow-y-auto border-[1.5px] p-3 text-[14px] shadow-lg"
        >
          <p className="text-mute">
            {students.length} {what}
          </p>
          <ul className="my-1">
            {students.map(({ id, name }) => (
              <li key={id}>
                <SheetLink id={id}>{name}</SheetLink>
              </li>
            ))}
          </ul>
          <div className="flex flex-wrap gap-2">
            <Button onClick={add}>Pull {students.length}</Button>
            <Popover.Close asChild>
              <Button
                onClick={() => {
                  add();
                  askForGroup();
                }}
              >
                Make a group
              </Button>
            </Popover.Close>
            {more}
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
