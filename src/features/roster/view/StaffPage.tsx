"use client";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/runtime/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD, Field } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { addStaffAction, setSchoolRoleAction } from "../actions";
import type { StaffView } from "../types";

const ROLES = ["teacher", "specialist", "coordinator"] as const;

/** The school's staff with their roles; coordinators give and take them. */
export function StaffPage({ view }: { readonly view: StaffView }) {
  const run = useRun(undoAction);
  const [adding, setAdding] = useState(false);
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead
        title="Staff and roles"
        sub={`${view.people.length} people. Coordinators see and change the whole school; everybody else what they teach or share.`}
      >
        <Button onClick={() => setAdding(true)}>Add somebody</Button>
      </PageHead>
      <table className="w-full max-w-5xl">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="py-1 font-normal">Name</th>
            <th className="font-normal">Email</th>
            <th className="w-40 font-normal">Role at the school</th>
            <th className="font-normal">Classes</th>
          </tr>
        </thead>
        <tbody>
          {view.people.map((person) => (
            <tr key={person.id} className="border-hair border-t">
              <td className="py-1.5">{person.name}</td>
              <td className="text-mute">{person.email}</td>
              <td>
                <select
                  className={FIELD}
                  aria-label={`Role of ${person.name}`}
                  disabled={run.busy}
                  value={person.role ?? ""}
                  onChange={(event) =>
                    run(
                      () => setSchoolRoleAction({ personId: person.id, role: event.target.value }),
                      `${person.name} is now ${event.target.value}.`,
                    )
                  }
                >
                  {person.role === null ? <option value="">none</option> : null}
                  {ROLES.map((role) => (
                    <option key={role} value={role}>
                      {role}
                    </option>
                  ))}
                </select>
              </td>
              <td className="text-mute">{person.classes.join(", ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {adding ? <AddStaff close={() => setAdding(false)} /> : null}
    </div>
  );
}

function AddStaff({ close }: { readonly close: () => void }) {
  const run = useRun(undoAction, true);
  const [personId] = useState(() => v7());
  return (
    <Dialog open onOpenChange={(open) => (open ? null : close())} title="Add somebody to the staff">
      <form
        className="space-y-3 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          const values = Object.fromEntries(new FormData(event.currentTarget));
          run(() => addStaffAction({ ...values, personId }), `Added ${values.givenName}.`, close);
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          <Field label="Given name" name="givenName" required maxLength={60} />
          <Field label="Family name" name="familyName" required maxLength={60} />
        </div>
        <Field
          label="Email"
          name="email"
          type="email"
          required
          help="They choose a password with “I forgot my password” at the door."
        />
        <label className="block">
          <span className="mb-0.5 block">Role</span>
          <select name="role" className={`${FIELD} w-full`}>
            {ROLES.map((role) => (
              <option key={role} value={role}>
                {role}
              </option>
            ))}
          </select>
        </label>
        <FormFoot problem={run.problem} deed="Add" disabled={run.busy} close={close} />
      </form>
    </Dialog>
  );
}
