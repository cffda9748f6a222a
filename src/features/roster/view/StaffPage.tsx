"use client";
import { useQueryState } from "nuqs";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { fullName } from "@/core/roster/fullName";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD, Field } from "@/ui/primitives/Field";
import { FindField } from "@/ui/primitives/FindField";
import { FormFoot } from "@/ui/primitives/FormFoot";
import {
  addStaffAction,
  archiveStaffAction,
  correctStaffAction,
  restoreStaffAction,
  setSchoolRoleAction,
} from "../actions";
import type { StaffMember, StaffView } from "../types";

const ROLES = ["teacher", "specialist", "coordinator"] as const;

/** Above so many people, there is a field to find one. */
const MANY = 10;

/** The school's staff with their roles; coordinators give and take them. */
export function StaffPage({ view }: { readonly view: StaffView }) {
  const run = useRun(undoAction);
  const [adding, setAdding] = useState(false);
  const [correcting, setCorrecting] = useState<StaffMember | null>(null);
  const [find, setFind] = useQueryState("find", { defaultValue: "" });
  const words = find.trim().toLocaleLowerCase();
  const shown = view.people.filter((person) =>
    [fullName(person), person.email, ...person.classes].some((text) => text.toLocaleLowerCase().includes(words)),
  );
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead
        title="Staff and roles"
        sub={`${view.people.length} people. Coordinators see and change the whole school; everybody else what they teach or share.`}
      >
        <Button onClick={() => setAdding(true)}>Add somebody</Button>
      </PageHead>
      {view.people.length > MANY ? (
        <p className="no-print mb-2">
          <FindField
            label="Find a colleague"
            placeholder="Find a name, email or class"
            className="w-64"
            value={find}
            set={setFind}
          />
          <span className="text-mute ml-4" aria-live="polite">
            {shown.length} of {view.people.length}
          </span>
        </p>
      ) : null}
      <table className="w-full max-w-6xl">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="py-1 font-normal">Name</th>
            <th className="font-normal">Email</th>
            <th className="w-40 font-normal">Role at the school</th>
            <th className="font-normal">Classes</th>
            <th className="w-24" />
          </tr>
        </thead>
        <tbody>
          {shown.map((person) => (
            <tr key={person.id} className="border-hair border-t">
              <td className="py-1.5">{fullName(person)}</td>
              <td className="text-mute">{person.email}</td>
              <td>
                <select
                  className={FIELD}
                  aria-label={`Role of ${fullName(person)}`}
                  disabled={run.busy}
                  value={person.role ?? ""}
                  onChange={(event) =>
                    run(
                      () => setSchoolRoleAction({ personId: person.id, role: event.target.value }),
                      `${fullName(person)} is now ${event.target.value}.`,
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
              <td className="text-right">
                <Button
                  look="quiet"
                  aria-label={`Change the data of ${fullName(person)}`}
                  onClick={() => setCorrecting(person)}
                >
                  Change
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {shown.length === 0 ? <p className="text-mute py-6">Nobody fits “{find}”.</p> : null}
      {view.left.length > 0 ? <Left view={view} /> : null}
      {adding ? <AddStaff close={() => setAdding(false)} /> : null}
      {correcting ? <CorrectStaff person={correcting} close={() => setCorrecting(null)} /> : null}
    </div>
  );
}

function Left({ view }: { readonly view: StaffView }) {
  const run = useRun(undoAction);
  return (
    <section aria-labelledby="left" className="mt-8 max-w-3xl">
      <h2 id="left" className="mb-1.5 font-serif text-[19px] font-medium">
        Left the staff: {view.left.length}
      </h2>
      <ul>
        {view.left.map(({ id, name, leftOn }) => (
          <li key={id} className="border-hair flex items-center justify-between gap-4 border-t py-1">
            <span>
              {name}
              <span className="text-mute">, {leftOn}</span>
            </span>
            <Button
              look="quiet"
              disabled={run.busy}
              onClick={() =>
                run(() => restoreStaffAction({ personId: id }), `${name} is back, as a teacher without classes.`)
              }
            >
              Is back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function CorrectStaff({ person, close }: { readonly person: StaffMember; readonly close: () => void }) {
  const run = useRun(undoAction, true);
  const { id: personId, givenName, familyName, email, isSelf, classes } = person;
  return (
    <Dialog open onOpenChange={(open) => (open ? null : close())} title={fullName(person)}>
      <form
        className="space-y-3 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          const values = Object.fromEntries(new FormData(event.currentTarget));
          run(() => correctStaffAction({ ...values, personId }), `Corrected the data of ${values.givenName}.`, close);
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          <Field label="Given name" name="givenName" defaultValue={givenName} required maxLength={60} />
          <Field label="Family name" name="familyName" defaultValue={familyName} required maxLength={60} />
        </div>
        <Field label="Email, for signing in" name="email" type="email" defaultValue={email} required />
        <FormFoot problem={run.problem} deed="Correct" disabled={run.busy} close={close} />
      </form>
      {isSelf ? null : (
        <div className="border-hair mt-4 border-t pt-3 text-[15px]">
          <p className="text-mute mb-2">
            Somebody who leaves is signed out at once{classes.length > 0 ? ` and off ${classes.join(", ")}` : ""}. Work
            and groups stay; it can be undone.
          </p>
          <Button
            disabled={run.busy}
            onClick={() => run(() => archiveStaffAction({ personId }), `${fullName(person)} left the staff.`, close)}
          >
            Has left the staff
          </Button>
        </div>
      )}
    </Dialog>
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
