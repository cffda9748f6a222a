"use client";
import { useState } from "react";
import type { UseFormRegister } from "react-hook-form";
import type { AssignForm } from "../types";
import { type AssignFields, LABEL } from "./assignFields";

/** The skills to be worked on, with how many of the class have each. */
export function AssignSkills({
  form,
  first,
  chosen,
  register,
}: {
  readonly form: AssignForm;
  /** Skills that stand first, since they were asked for. */
  readonly first: readonly string[];
  readonly chosen: AssignForm["classes"][number];
  readonly register: UseFormRegister<AssignFields>;
}) {
  const [find, setFind] = useState("");
  const isFirst = (id: string) => first.includes(id);
  const inOrder = [...form.skills.filter(({ id }) => isFirst(id)), ...form.skills.filter(({ id }) => !isFirst(id))];
  const wanted = find.trim().toLocaleLowerCase();
  return (
    <fieldset>
      <legend className={LABEL}>Skills, one to six</legend>
      <input
        aria-label="Find a skill"
        placeholder="Find a skill"
        className="border-hair mb-1 w-full border-b bg-transparent px-1 py-1 text-[15px]"
        value={find}
        onChange={(event) => setFind(event.target.value)}
      />
      <ul className="text-[15px]">
        {inOrder.map((skill) => (
          // What is not looked for stays in the form: a tick must not go with it.
          <li
            key={skill.id}
            hidden={!`${skill.name} ${skill.code}`.toLocaleLowerCase().includes(wanted)}
            className="border-hair border-b"
          >
            <label className="flex items-center gap-2.5 py-1">
              <input type="checkbox" className="accent-ink size-4" value={skill.id} {...register("skillIds")} />
              <span className="flex-1">{skill.name}</span>
              <span className="text-mute text-[14px]">
                {skill.code === "" ? "" : `${skill.code}, `}grade {skill.grade}; {skill.secure[chosen.id] ?? 0} of{" "}
                {chosen.students.length} Secure
              </span>
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
