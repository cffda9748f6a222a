"use client";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import type { ComposeView } from "../../types";
import type { Change, Composition } from "./composition";
import { LABEL } from "./look";

/** The nearest skills, by plan and grade, are shown at first: the whole library would push everything below it away. */
const FIRST_SHOWN = 24;

/** The skills to be worked on, with how many of the class have each. */
export function PracticeSkills({
  view,
  first,
  composition,
  change,
}: {
  readonly view: ComposeView;
  /** Skills that stand first, since they were asked for. */
  readonly first: readonly string[];
  readonly composition: Composition;
  readonly change: Change;
}) {
  const [find, setFind] = useState("");
  const [isWhole, setWhole] = useState(false);
  const chosen = view.classes.find(({ id }) => composition.to.includes(id)) ?? view.classes[0];
  const isFirst = (id: string) => first.includes(id);
  const inOrder = [...view.skills.filter(({ id }) => isFirst(id)), ...view.skills.filter(({ id }) => !isFirst(id))];
  const wanted = find.trim().toLocaleLowerCase();
  const found = inOrder.filter(({ name, code }) => `${name} ${code}`.toLocaleLowerCase().includes(wanted));
  // What is ticked stays in view, however far down it stands.
  const shown = isWhole
    ? found
    : found.filter(({ id }, place) => place < FIRST_SHOWN || composition.skillIds.includes(id));
  const toggle = (id: string) =>
    change((before) => ({
      ...before,
      skillIds: before.skillIds.includes(id) ? before.skillIds.filter((one) => one !== id) : [...before.skillIds, id],
    }));
  return (
    <fieldset>
      <legend className={LABEL}>Skills, {composition.made === "contrast" ? "two to four" : "one to six"}</legend>
      <input
        aria-label="Find a skill"
        placeholder="Find a skill"
        className="border-hair mb-1 w-full border-b bg-transparent px-1 py-1 text-[15px]"
        value={find}
        onChange={(event) => setFind(event.target.value)}
      />
      <ul className="text-[15px]">
        {shown.map((skill) => (
          <li key={skill.id} className="border-hair border-b">
            <label className="flex items-center gap-2.5 py-1">
              <input
                type="checkbox"
                name="skillIds"
                className="accent-ink size-4"
                value={skill.id}
                checked={composition.skillIds.includes(skill.id)}
                onChange={() => toggle(skill.id)}
              />
              <span className="flex-1">{skill.name}</span>
              <span className="text-mute text-[14px]">
                {skill.code === "" ? "" : `${skill.code}, `}grade {skill.grade}; {skill.secure[chosen?.id ?? ""] ?? 0}{" "}
                of {chosen?.students.length ?? 0} Secure
              </span>
            </label>
          </li>
        ))}
      </ul>
      {found.length > shown.length ? (
        <Button look="quiet" className="mt-1.5 px-0!" onClick={() => setWhole(true)}>
          Show all {found.length} skills
        </Button>
      ) : null}
    </fieldset>
  );
}
