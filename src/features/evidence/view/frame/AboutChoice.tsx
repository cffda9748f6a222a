"use client";
import { useMemo, useState } from "react";
import { FIELD } from "@/ui/primitives/Field";
import { FindField } from "@/ui/primitives/FindField";
import type { FrameView } from "../../frame/frameTypes";
import { useFrame } from "./useFrame";

const MOST_SHOWN = 40;

/** All skills, a strand, a skill, or a standard of one of the frameworks, found by typing. */
export function AboutChoice({ frame }: { readonly frame: FrameView }) {
  const { set } = useFrame();
  const [find, setFind] = useState("");
  const [frameworkId, setFrameworkId] = useState(frame.params.frameworkId ?? "");
  const found = useMemo(() => {
    const words = find.trim().toLocaleLowerCase();
    const fits = (text: string) => text.toLocaleLowerCase().includes(words);
    return [
      ...frame.strands
        .filter(({ name }) => fits(name))
        .map(({ id, name }) => ({ key: `strand:${id}`, name, note: "strand" })),
      ...frame.standards
        .filter((standard) => frameworkId === "" || standard.frameworkId === frameworkId)
        .filter(({ name }) => words !== "" && fits(name))
        .map(({ id, name }) => ({ key: `standard:${id}`, name, note: "standard" })),
      ...frame.skills
        .filter(({ name, strand }) => fits(name) || (words !== "" && fits(strand)))
        .map(({ id, name, grade }) => ({ key: `skill:${id}`, name, note: `grade ${grade}` })),
    ];
  }, [frame, find, frameworkId]);
  return (
    <div className="grid w-96 gap-2">
      <FindField
        label="Find a skill, strand or standard"
        placeholder="Skill, strand or standard"
        value={find}
        set={(value) => setFind(value ?? "")}
      />
      {frame.frameworks.length > 1 ? (
        <label className="flex items-center gap-2">
          standards of
          <select
            className={`${FIELD} min-w-0 flex-1`}
            value={frameworkId}
            onChange={(event) => setFrameworkId(event.target.value)}
          >
            <option value="">every framework</option>
            {frame.frameworks.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      <ul className="max-h-72 overflow-y-auto">
        <li>
          <button type="button" className="py-0.5 hover:underline" onClick={() => set({ about: null, subjects: null })}>
            all skills
          </button>
        </li>
        {frame.subjects.length > 1
          ? frame.subjects.map(({ id, name }) => (
              <li key={id}>
                <button
                  type="button"
                  className="py-0.5 hover:underline"
                  onClick={() => set({ about: null, subjects: id })}
                >
                  all of {name}
                </button>
              </li>
            ))
          : null}
        {found.slice(0, MOST_SHOWN).map(({ key, name, note }) => (
          <li key={key}>
            <button
              type="button"
              className="flex w-full items-baseline justify-between gap-3 py-0.5 text-left hover:underline"
              onClick={() => set({ about: key, framework: frameworkId || null })}
            >
              <span className="min-w-0 truncate">{name}</span>
              <span className="text-mute shrink-0 text-[13px]">{note}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="text-mute text-[13px]" aria-live="polite">
        {found.length > MOST_SHOWN ? `${found.length} found, ${MOST_SHOWN} shown. Type more.` : `${found.length} found`}
      </p>
    </div>
  );
}
