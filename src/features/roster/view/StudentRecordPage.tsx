"use client";
import Link from "next/link";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { Field, Problem } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { dayWords } from "@/words/staff/dayWords";
import { interestWords } from "@/words/students/interestWords";
import {
  archiveStudentAction,
  correctStudentAction,
  newSignInsAction,
  placeStudentsAction,
  requestErasureAction,
  restoreStudentAction,
  unlockStudentsAction,
} from "../actions";
import type { SignInSlip, StudentRecordView } from "../types";
import { SignInCards } from "./SignInCards";
import { SignInDialog } from "./SignInDialog";
import { SupportsForm } from "./SupportsForm";

const heading = "mb-1.5 font-serif text-[19px] font-medium";
const SIGN_IN = {
  none: "No PIN and no card yet.",
  locked: "Held at the door: wrong PINs were tried. Devices used before and the card still open; others wait.",
  never: "Has a PIN, not signed in yet.",
  used: "Signs in.",
} as const;

/** A student in the roster: data, classes then and now, supports, signing in. */
export function StudentRecordPage({ view, base }: { readonly view: StudentRecordView; readonly base: string }) {
  const run = useRun(undoAction);
  const [making, setMaking] = useState(false);
  const [erasing, setErasing] = useState(false);
  const [slips, setSlips] = useState<readonly SignInSlip[] | null>(null);
  const studentId = view.id;
  if (slips) return <SignInCards slips={slips} close={() => setSlips(null)} />;
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead
        title={view.name}
        sub={`${view.left ? "left the school; what was shown is kept" : view.classNames.join(", ") || "in no class"}${view.grade === null ? "" : `, grade ${view.grade}`}`}
      >
        <SheetLink id={view.id} className="self-center font-semibold underline">
          Levels and work
        </SheetLink>
        {view.may.manage ? (
          <ButtonLink href={`/desk/school/roster/access?student=${view.id}`}>Who can see {view.givenName}</ButtonLink>
        ) : null}
      </PageHead>
      {view.erasureAsked ? (
        <p className="border-clay mb-4 border-l-4 pl-3">
          It was asked for {view.givenName} to be erased.{" "}
          <Link className="underline" href="/desk/school/roster/privacy">
            A second person decides
          </Link>
          .
        </p>
      ) : null}
      <div className="grid max-w-6xl gap-x-12 gap-y-7 lg:grid-cols-2">
        <div className="space-y-7">
          <Data key={JSON.stringify(view)} view={view} />
          <section aria-labelledby="classes">
            <h2 id="classes" className={heading}>
              Classes
            </h2>
            {view.enrollments.length === 0 ? <p className="text-mute">In no class so far.</p> : null}
            <ul>
              {view.enrollments.map((enrollment) => (
                <li
                  key={enrollment.id}
                  className={`border-hair flex items-center justify-between gap-4 border-t py-1.5 ${enrollment.over ? "text-mute" : ""}`}
                >
                  <span>
                    {enrollment.className}
                    <span className="text-mute">
                      , since {dayWords(enrollment.from)}
                      {enrollment.until === null
                        ? ""
                        : enrollment.over
                          ? `, left on ${dayWords(enrollment.until)}`
                          : `, leaves on ${dayWords(enrollment.until)}`}
                      {enrollment.archived ? ", put away" : ""}
                    </span>
                  </span>
                  {enrollment.mayLeave && !enrollment.archived ? (
                    <Button
                      look="quiet"
                      disabled={run.busy}
                      onClick={() =>
                        run(
                          () =>
                            placeStudentsAction({
                              studentIds: [studentId],
                              toClassId: null,
                              fromClassId: enrollment.classId,
                            }),
                          `${view.givenName} left ${enrollment.className}. Work and evidence are kept.`,
                        )
                      }
                    >
                      Take out
                    </Button>
                  ) : null}
                </li>
              ))}
            </ul>
            {view.groups.length > 0 ? (
              <p className="mt-2">In the groups {view.groups.map(({ name }) => name).join(", ")}.</p>
            ) : null}
          </section>
        </div>
        <div className="space-y-7">
          {view.supports ? (
            <SupportsForm
              key={JSON.stringify(view.supports)}
              studentId={studentId}
              name={view.givenName}
              supports={view.supports}
              subjects={view.subjects}
              mayChange={view.may.supports}
            />
          ) : null}
          <section aria-labelledby="sign-in">
            <h2 id="sign-in" className={heading}>
              Signing in
            </h2>
            <p className={view.signIn === "locked" || view.signIn === "none" ? "text-clay font-semibold" : ""}>
              {SIGN_IN[view.signIn]} {view.hasCard ? "Has a card." : ""}
            </p>
            {view.may.signIn && !view.left ? (
              <div className="mt-2 flex gap-2">
                {view.signIn === "locked" ? (
                  <Button
                    disabled={run.busy}
                    onClick={() =>
                      run(() => unlockStudentsAction({ studentIds: [studentId] }), `${view.givenName} can try again.`)
                    }
                  >
                    Let them try again
                  </Button>
                ) : null}
                <Button onClick={() => setMaking(true)}>New PIN or card</Button>
              </div>
            ) : null}
          </section>
          <section aria-labelledby="interests">
            <h2 id="interests" className={heading}>
              Interests
            </h2>
            <p className={view.interests.length === 0 ? "text-mute" : ""}>
              {view.interests.length === 0
                ? `${view.givenName} has not chosen any yet; it is done on the student's own page.`
                : view.interests.map(interestWords).join(", ")}
            </p>
          </section>
          {view.may.manage ? (
            <section aria-labelledby="rest">
              <h2 id="rest" className={heading}>
                Leaving and data
              </h2>
              <div className="flex flex-wrap gap-2">
                {view.left ? (
                  <Button
                    disabled={run.busy}
                    onClick={() =>
                      run(
                        () => restoreStudentAction({ studentId }),
                        `${view.givenName} is back. Put them into a class next.`,
                      )
                    }
                  >
                    Came back
                  </Button>
                ) : (
                  <Button
                    disabled={run.busy}
                    onClick={() =>
                      run(() => archiveStudentAction({ studentId }), `${view.givenName} left; the evidence is kept.`)
                    }
                  >
                    Has left the school
                  </Button>
                )}
                {view.may.export ? (
                  <a
                    className="border-ink bg-paper inline-flex min-h-8 items-center border-[1.5px] px-3 py-1 font-semibold"
                    href={`/api/roster/students/${view.id}/export`}
                    download
                  >
                    Everything kept, as a file
                  </a>
                ) : null}
                {view.may.erase && !view.erasureAsked ? (
                  <Button onClick={() => setErasing(true)}>Ask for erasure</Button>
                ) : null}
              </div>
            </section>
          ) : null}
        </div>
      </div>
      <p className="mt-7">
        <Link className="underline underline-offset-4" href={`${base}/roster`}>
          Back to the roster
        </Link>
      </p>
      {making ? (
        <SignInDialog
          count={1}
          done={run.busy ? 0 : null}
          close={() => setMaking(false)}
          make={(choice) =>
            run(
              () => newSignInsAction({ studentIds: [studentId], ...choice }),
              null,
              (made) => {
                setMaking(false);
                setSlips(made);
              },
            )
          }
        />
      ) : null}
      {erasing ? <EraseDialog view={view} close={() => setErasing(false)} /> : null}
    </div>
  );
}

function Data({ view }: { readonly view: StudentRecordView }) {
  const run = useRun(undoAction, true);
  return (
    <section aria-labelledby="data">
      <h2 id="data" className={heading}>
        Data
      </h2>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          const values = Object.fromEntries(new FormData(event.currentTarget));
          run(() => correctStudentAction({ ...values, studentId: view.id }), "Corrected.");
        }}
      >
        <fieldset disabled={!view.may.change || run.busy} className="grid grid-cols-2 gap-3">
          <Field label="Given name" name="givenName" defaultValue={view.givenName} required maxLength={60} />
          <Field label="Family name" name="familyName" defaultValue={view.familyName} required maxLength={60} />
          <Field
            label="Student number"
            name="studentNumber"
            defaultValue={view.studentNumber}
            required
            maxLength={40}
          />
          <Field label="Grade" name="grade" type="number" min={0} max={12} defaultValue={view.grade ?? ""} required />
          <Field label="Email" name="email" type="email" defaultValue={view.email} />
          <Field
            label="Birth year"
            name="birthYear"
            type="number"
            min={1990}
            max={2035}
            defaultValue={view.birthYear ?? ""}
          />
        </fieldset>
        <Problem text={run.problem} />
        {view.may.change ? (
          <Button type="submit" className="mt-3" disabled={run.busy}>
            Correct
          </Button>
        ) : (
          <p className="text-mute mt-2">Teachers of the class and coordinators can correct this.</p>
        )}
      </form>
    </section>
  );
}

function EraseDialog({ view, close }: { readonly view: StudentRecordView; readonly close: () => void }) {
  const run = useRun(undoAction, true);
  const [erasureId] = useState(() => v7());
  const [reason, setReason] = useState("");
  return (
    <Dialog open onOpenChange={(open) => (open ? null : close())} title={`Ask for ${view.name} to be erased`}>
      <form
        className="space-y-3 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          run(
            () => requestErasureAction({ erasureId, studentId: view.id, reason }),
            "Asked. A second coordinator decides.",
            close,
          );
        }}
      >
        <p>
          Name, number, supports, sign-in and every answer go for good; sums without a person stay. A second coordinator
          has to confirm it, and nothing brings the data back. If {view.givenName} only leaves the school, choose “Has
          left the school” instead.
        </p>
        <Field
          label="Who asked for it, and when"
          value={reason}
          required
          maxLength={300}
          onChange={(event) => setReason(event.target.value)}
        />
        <FormFoot problem={run.problem} deed="Ask a second person" disabled={run.busy} close={close} />
      </form>
    </Dialog>
  );
}
