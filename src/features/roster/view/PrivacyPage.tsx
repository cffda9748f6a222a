"use client";
import Link from "next/link";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { FIELD, Field, Problem } from "@/ui/primitives/Field";
import { decideOnErasureAction, setSettingsAction } from "../actions";
import type { PrivacyView } from "../types";

const heading = "mb-1.5 font-serif text-[19px] font-medium";

/** Requests for erasure, those who left, and how long things last. */
export function PrivacyPage({ view }: { readonly view: PrivacyView }) {
  const due = view.left.filter((student) => student.due);
  return (
    <div className="max-w-4xl px-5 py-4 text-[15px]">
      <PageHead title="Privacy and leavers" sub="What is kept, for how long, and what is asked to go." />
      <div className="space-y-8">
        <section aria-labelledby="requests">
          <h2 id="requests" className={heading}>
            Asked to be erased
          </h2>
          {view.requests.length === 0 ? (
            <p className="text-mute">Nothing is waiting. A request begins on a student's page.</p>
          ) : null}
          {view.requests.map((request) => (
            <Request key={request.id} request={request} />
          ))}
        </section>
        <section aria-labelledby="left">
          <h2 id="left" className={heading}>
            Left the school: {view.left.length}
          </h2>
          {due.length > 0 ? (
            <p className="border-clay mb-2 border-l-4 pl-3">
              {due.length} left more than {view.settings.keepYears} years ago. Their evidence is past its keeping: open
              each and ask for erasure.
            </p>
          ) : null}
          <ul className="max-h-72 overflow-y-auto">
            {view.left.map((student) => (
              <li key={student.id} className="border-hair flex justify-between gap-4 border-t py-1">
                <Link
                  className="decoration-hair underline underline-offset-3"
                  href={`/desk/school/roster/students/${student.id}`}
                >
                  {student.name}
                </Link>
                <span className={student.due ? "text-clay font-semibold" : "text-mute"}>{student.leftOn}</span>
              </li>
            ))}
          </ul>
          {view.left.length === 0 ? (
            <p className="text-mute">Nobody yet. Whoever leaves stays here with the evidence, and can come back.</p>
          ) : null}
        </section>
        <Settings view={view} />
      </div>
    </div>
  );
}

function Request({ request }: { readonly request: PrivacyView["requests"][number] }) {
  const run = useRun(undoAction, true);
  const [typedName, setTypedName] = useState("");
  const { id: erasureId } = request;
  return (
    <form
      className="border-hair border-t py-2.5"
      onSubmit={(event) => {
        event.preventDefault();
        run(
          () => decideOnErasureAction({ erasureId, outcome: "erased", typedName }),
          `${request.name} was erased for good.`,
        );
      }}
    >
      <p>
        <b>{request.name}</b>: {request.reason}{" "}
        <span className="text-mute">
          Asked by {request.askedBy} on {request.askedOn}.
        </span>
      </p>
      <Problem text={run.problem} />
      <div className="mt-2 flex flex-wrap items-end gap-3">
        {request.isOwn ? (
          <p className="text-mute">You asked for it, so another coordinator has to confirm it.</p>
        ) : (
          <>
            <Field
              label="Type the family name to confirm; nothing brings the data back"
              value={typedName}
              onChange={(event) => setTypedName(event.target.value)}
            />
            <Button look="main" type="submit" disabled={run.busy || typedName === ""}>
              Erase for good
            </Button>
          </>
        )}
        <Button
          disabled={run.busy}
          onClick={() =>
            run(() => decideOnErasureAction({ erasureId, outcome: "declined" }), "Declined. Everything stays.")
          }
        >
          {request.isOwn ? "Take it back" : "Decline"}
        </Button>
      </div>
    </form>
  );
}

function Settings({ view }: { readonly view: PrivacyView }) {
  const run = useRun(undoAction, true);
  return (
    <section aria-labelledby="settings">
      <h2 id="settings" className={heading}>
        How long things last, and how numbers are read
      </h2>
      <form
        className="flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          run(() => setSettingsAction(Object.fromEntries(new FormData(event.currentTarget))), "Settings changed.");
        }}
      >
        <Field
          label="Minutes unused until staff are signed out"
          name="staffIdleMinutes"
          type="number"
          min={5}
          max={720}
          defaultValue={view.settings.staffIdleMinutes}
          className="w-48"
        />
        <Field
          label="Minutes unused until students are"
          name="studentIdleMinutes"
          type="number"
          min={5}
          max={480}
          defaultValue={view.settings.studentIdleMinutes}
          className="w-48"
        />
        <Field
          label="Hours that answers may come late from offline devices"
          name="lateGraceHours"
          type="number"
          min={0}
          max={336}
          defaultValue={view.settings.lateGraceHours}
          className="w-48"
        />
        <Field
          label="Years that evidence of leavers is kept"
          name="keepYears"
          type="number"
          min={1}
          max={20}
          defaultValue={view.settings.keepYears}
          className="w-48"
        />
        <label className="block w-48 text-[15px]">
          <span className="mb-0.5 block">Decimals of typed numbers come after a</span>
          <select name="decimalMark" defaultValue={view.settings.decimalMark} className={`${FIELD} w-full`}>
            <option value="point">point: 1.5</option>
            <option value="comma">comma: 1,5</option>
          </select>
        </label>
        <Button type="submit" disabled={run.busy}>
          Change
        </Button>
      </form>
      <Problem text={run.problem} />
    </section>
  );
}
