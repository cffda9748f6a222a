"use client";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { Field, Problem } from "@/ui/primitives/Field";
import {
  beginSecondStepAction,
  changePasswordAction,
  confirmSecondStepAction,
  endSessionAction,
  removeSecondStepAction,
} from "../actions";
import type { AccountView } from "../types";

const heading = "mb-2 font-serif text-[20px] font-medium";

/** The own account: password, second step, devices. */
export function AccountPage({ view }: { readonly view: AccountView }) {
  return (
    <div className="max-w-3xl px-5 py-4 text-[15px]">
      <PageHead title="Your account" sub={`${view.name}, ${view.email}`} />
      <div className="space-y-8">
        <Devices view={view} />
        <SecondStep view={view} />
        <Password />
      </div>
    </div>
  );
}

function Devices({ view }: { readonly view: AccountView }) {
  const run = useRun(undoAction);
  return (
    <section aria-labelledby="devices">
      <h2 id="devices" className={heading}>
        Where you are signed in
      </h2>
      <ul>
        {view.devices.map((device) => (
          <li key={device.id} className="border-hair flex items-center justify-between gap-4 border-t py-1.5">
            <span>
              {device.device}
              <span className="text-mute">, {device.isThis ? "this device" : `used ${device.lastSeen}`}</span>
            </span>
            {device.isThis ? null : (
              <Button
                look="quiet"
                disabled={run.busy}
                onClick={() => run(() => endSessionAction({ device: device.id }), "Signed out there.")}
              >
                Sign out there
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p className="text-mute mt-1">
        A device that is not used for {view.idleMinutes} minutes is signed out by itself.
      </p>
    </section>
  );
}

function SecondStep({ view }: { readonly view: AccountView }) {
  const run = useRun(undoAction, true);
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  return (
    <section aria-labelledby="step">
      <h2 id="step" className={heading}>
        Second step
      </h2>
      <p className="mb-2">
        {view.secondStep
          ? "Signing in asks for a code from your phone after the password."
          : "With a second step, a stolen password alone opens nothing: signing in also asks for a code from your phone."}
      </p>
      {view.pending ? (
        <form
          className="flex flex-wrap items-start gap-5"
          onSubmit={(event) => {
            event.preventDefault();
            run(() => confirmSecondStepAction({ code }), "The second step is on.");
          }}
        >
          <img src={view.pending.picture} alt="Code to scan with an authenticator app" className="h-40 w-40" />
          <div className="min-w-64 flex-1">
            <p className="mb-2">
              Scan it with an authenticator app on your phone, or type this key into it:{" "}
              <b className="break-all">{view.pending.secret.match(/.{1,4}/g)?.join(" ")}</b>
            </p>
            <Field
              label="Then type the six digits that the app shows"
              inputMode="numeric"
              maxLength={6}
              value={code}
              onChange={(event) => setCode(event.target.value)}
            />
            <Problem text={run.problem} />
            <Button look="main" type="submit" className="mt-3" disabled={run.busy}>
              Turn the second step on
            </Button>
          </div>
        </form>
      ) : (
        <form
          className="flex max-w-md items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            run(
              async () => {
                if (view.secondStep) return removeSecondStepAction({ password });
                const begun = await beginSecondStepAction({ password });
                return begun.ok ? { ok: true, data: undefined } : begun;
              },
              view.secondStep ? "The second step is off." : null,
              () => setPassword(""),
            );
          }}
        >
          <Field
            label="Your password"
            type="password"
            autoComplete="current-password"
            className="flex-1"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
          <Button type="submit" disabled={run.busy}>
            {view.secondStep ? "Turn it off" : "Set it up"}
          </Button>
        </form>
      )}
      {view.pending ? null : <Problem text={run.problem} />}
    </section>
  );
}

function Password() {
  const run = useRun(undoAction, true);
  const [present, setPresent] = useState("");
  const [next, setNext] = useState("");
  return (
    <section aria-labelledby="password-head">
      <h2 id="password-head" className={heading}>
        Password
      </h2>
      <form
        className="max-w-md space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          run(
            () => changePasswordAction({ present, next }),
            "Your password is changed; other devices were signed out.",
            () => {
              setPresent("");
              setNext("");
            },
          );
        }}
      >
        <Field
          label="Present password"
          type="password"
          autoComplete="current-password"
          value={present}
          onChange={(event) => setPresent(event.target.value)}
        />
        <Field
          label="New password"
          type="password"
          autoComplete="new-password"
          help="12 letters or more; a short sentence is easy to keep."
          value={next}
          onChange={(event) => setNext(event.target.value)}
        />
        <Problem text={run.problem} />
        <Button type="submit" disabled={run.busy}>
          Change the password
        </Button>
      </form>
    </section>
  );
}
