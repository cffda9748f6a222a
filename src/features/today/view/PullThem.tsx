"use client";
import { usePullList } from "@/client/pull-list/pullList";
import { Button } from "@/ui/primitives/Button";
import type { TodayLine } from "../types";

/** Puts those whom a line is about on the pull list, from which a group is made in two moves. */
export function PullThem({ students, skillId }: NonNullable<TodayLine["pull"]>) {
  const pull = usePullList();
  return (
    <Button look="quiet" onClick={() => pull.add(students.map(({ id, name }) => ({ id, name, skillId })))}>
      Pull {students.length}
    </Button>
  );
}
