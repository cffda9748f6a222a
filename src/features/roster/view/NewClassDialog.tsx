"use client";
import { useState } from "react";
import { v7 } from "uuid";
import { usePullList } from "@/client/pull-list/pullList";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Dialog } from "@/ui/primitives/Dialog";
import { Field } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { makeClassAction } from "../actions";

/** Makes a class of the teacher's own from the students selected or on the pull list. */
export function NewClassDialog({
  students,
  today,
  close,
}: {
  readonly students: readonly { readonly id: string; readonly name: string; readonly grade: number | null }[];
  readonly today: string;
  readonly close: () => void;
}) {
  const run = useRun(undoAction, true);
  const pull = usePullList();
  const [classId] = useState(() => v7());
  const members = students.length > 0 ? students : pull.entries;
  return (
    <Dialog open onOpenChange={(open) => (open ? null : close())} title="Make a class of your own">
      <form
        className="space-y-3 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          const values = Object.fromEntries(new FormData(event.currentTarget));
          const input = { ...values, classId, studentIds: members.map(({ id }) => id) };
          run(() => makeClassAction(input), `Made the class ${values.name}.`, close);
        }}
      >
        <Field label="Name" name="name" required maxLength={40} placeholder="Fractions club" />
        <div className="grid grid-cols-2 gap-3">
          <Field label="Subject" name="subject" required defaultValue="Mathematics" maxLength={60} />
          <Field
            label="Grade, as most are"
            name="grade"
            type="number"
            min={0}
            max={12}
            required
            defaultValue={students.find(({ grade }) => grade !== null)?.grade ?? ""}
          />
        </div>
        <Field
          label="Last day"
          name="untilDay"
          type="date"
          min={today}
          help="Leave it empty for a class without an end."
        />
        <p className="text-mute">
          {members.length > 0
            ? `With ${members.map(({ name }) => name).join(", ")}.`
            : "It begins empty. Select students in the table, or put them on the pull list, to begin with them."}
        </p>
        <FormFoot problem={run.problem} deed="Make the class" disabled={run.busy} close={close} />
      </form>
    </Dialog>
  );
}
