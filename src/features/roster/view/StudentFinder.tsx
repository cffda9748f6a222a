"use client";
import { useRouter } from "next/navigation";
import { useId, useState } from "react";
import { FIELD } from "@/ui/primitives/Field";

/** Chooses a student by typing part of the name; the address keeps the choice. */
export function StudentFinder({
  students,
}: {
  readonly students: readonly { readonly id: string; readonly name: string }[];
}) {
  const router = useRouter();
  const list = useId();
  const [text, setText] = useState("");
  return (
    <label className="text-[15px]">
      <span className="sr-only">Student</span>
      <input
        className={`${FIELD} w-64`}
        list={list}
        placeholder="Type a student's name"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          const found = students.find(({ name }) => name === event.target.value);
          if (found) router.push(`/desk/school/roster/access?student=${found.id}`);
        }}
      />
      <datalist id={list}>
        {students.map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
    </label>
  );
}
