"use client";
import type { UseFormRegister } from "react-hook-form";
import type { AssignForm } from "../types";
import { type AssignFields, BOX, LABEL } from "./assignFields";

/** The class that work is given to, and who of it. */
export function AssignStudents({
  form,
  chosen,
  ticked,
  fromPullList,
  register,
  choose,
}: {
  readonly form: AssignForm;
  readonly chosen: AssignForm["classes"][number];
  readonly ticked: readonly string[];
  readonly fromPullList: boolean;
  readonly register: UseFormRegister<AssignFields>;
  readonly choose: (classId: string) => void;
}) {
  return (
    <fieldset>
      <legend className={LABEL}>To</legend>
      <div className="mb-2 flex flex-wrap items-center gap-3 text-[15px]">
        <select
          aria-label="Class"
          className={BOX}
          {...register("classId", { onChange: (event: { target: { value: string } }) => choose(event.target.value) })}
        >
          {form.classes.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <span>
          {ticked.length} of {chosen.students.length} students
          {fromPullList ? ", from the pull list" : ""}
        </span>
      </div>
      <ul className="grid grid-cols-2 gap-x-4 text-[15px]">
        {chosen.students.map((student) => (
          <li key={student.id}>
            <label className={`flex items-center gap-2 py-0.5 ${ticked.includes(student.id) ? "" : "text-mute"}`}>
              <input type="checkbox" className="accent-ink size-4" value={student.id} {...register("studentIds")} />
              <span data-name>{student.name}</span>
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
