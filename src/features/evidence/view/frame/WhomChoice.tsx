"use client";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { Button } from "@/ui/primitives/Button";
import { FindField } from "@/ui/primitives/FindField";
import type { FrameView } from "../../frame/frameTypes";
import { useFrame } from "./useFrame";

/** Everyone, a group, or students by name; those on the pull list in one move. */
export function WhomChoice({ frame }: { readonly frame: FrameView }) {
  const { set } = useFrame();
  const pull = usePullList();
  const [find, setFind] = useState("");
  const [names, setNames] = useState<readonly string[]>(frame.params.studentIds);
  const found = frame.students.filter(({ name }) => name.toLocaleLowerCase().includes(find.trim().toLocaleLowerCase()));
  const pulled = pull.entries.filter(({ id }) => frame.students.some((student) => student.id === id));
  const someone = (ids: readonly string[]) => set({ group: null, students: ids.join(",") });
  return (
    <div className="grid w-72 gap-2">
      <ul>
        <li>
          <button type="button" className="py-0.5 hover:underline" onClick={() => set({ group: null, students: null })}>
            everyone
          </button>
        </li>
        {frame.groups.map(({ id, name }) => (
          <li key={id}>
            <button
              type="button"
              aria-pressed={frame.params.groupId === id}
              className={`py-0.5 text-left hover:underline ${frame.params.groupId === id ? "font-bold" : ""}`}
              onClick={() => set({ group: id, students: null })}
            >
              the group {name}
            </button>
          </li>
        ))}
        {pulled.length > 0 ? (
          <li>
            <button
              type="button"
              className="py-0.5 hover:underline"
              onClick={() => someone(pulled.map(({ id }) => id))}
            >
              the {pulled.length} on the pull list
            </button>
          </li>
        ) : null}
      </ul>
      <div className="border-hair border-t pt-2">
        <FindField
          label="Find a student"
          placeholder="Find a student"
          value={find}
          set={(value) => setFind(value ?? "")}
        />
        <ul className="mt-1 max-h-52 overflow-y-auto">
          {found.map(({ id, name }) => (
            <li key={id}>
              <label className="flex items-baseline gap-2 py-0.5">
                <input
                  type="checkbox"
                  className="accent-ink"
                  checked={names.includes(id)}
                  onChange={() => setNames(names.includes(id) ? names.filter((one) => one !== id) : [...names, id])}
                />
                <span data-name>{name}</span>
              </label>
            </li>
          ))}
        </ul>
        <Button className="mt-1" disabled={names.length === 0} onClick={() => someone(names)}>
          {names.length === 0 ? "Choose students" : `Show these ${names.length}`}
        </Button>
      </div>
    </div>
  );
}
