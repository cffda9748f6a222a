"use client";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD, Field } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { addStudentAction } from "../actions";

/** Adds one student by hand. */
export function AddStudentDialog({
  classes,
  close,
}: {
  readonly classes: readonly { readonly id: string; readonly name: string; readonly grade: number }[];
  readonly close: () => void;
}) {
  const run = useRun(undoAction, true);
  const [studentId] = useState(() => v7());
  const [classId, setClassId] = useState(classes[0]?.id ?? "");
  const grade = classes.find(({ id }) => id === classId)?.grade ?? "";
  return (
    <Dialog open onOpenChange={(open) => (open ? null : close())} title="Add a student">
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          const values = Object.fromEntries(new FormData(event.currentTarget));
          run(() => addStudentAction({ ...values, studentId, classId }), `Added ${values.givenName}.`, close);
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          <Field label="Given name" name="givenName" required maxLength={60} />
          <Field label="Family name" name="familyName" required maxLength={60} />
          <Field
            label="Student number"
            name="studentNumber"
            required
            maxLength={40}
            help="The school's own; it keeps evidence together."
          />
          <Field
            label="Grade"
            name="grade"
            type="number"
            min={0}
            max={12}
            key={classId}
            defaultValue={grade}
            required
          />
          <Field label="Birth year" name="birthYear" type="number" min={1990} max={2035} />
          <Field label="Email, if there is one" name="email" type="email" />
        </div>
        <label className="block text-[15px]">
          <span className="mb-0.5 block">Class</span>
          <select className={`${FIELD} w-full`} value={classId} onChange={(event) => setClassId(event.target.value)}>
            {classes.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <FormFoot problem={run.problem} deed="Add the student" disabled={run.busy} close={close} />
      </form>
    </Dialog>
  );
}
