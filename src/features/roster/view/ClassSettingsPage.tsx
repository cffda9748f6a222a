"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { classCodeWords } from "@/core/roster/classCode";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { FIELD, Field, Problem } from "@/ui/primitives/Field";
import { dayWords } from "@/words/staff/dayWords";
import {
  archiveClassAction,
  changeClassAction,
  endShareAction,
  shareClassAction,
  signOutClassAction,
} from "../actions";
import type { ClassSettingsView } from "../types";

const heading = "mb-1.5 font-serif text-[19px] font-medium";
const ROLE_WORDS = {
  teacher: "teacher: everything, also sharing",
  "co-teacher": "co-teacher: everything but sharing and putting away",
  substitute: "substitute: plan, work and PINs until a day",
  specialist: "specialist: sees the class and its supports",
} as const;

/** One class: who is on it and until when, its name and last day, signing everyone out, putting it away. */
export function ClassSettingsPage({ view, base }: { readonly view: ClassSettingsView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const classId = view.id;
  return (
    <div className="max-w-4xl px-5 py-4 text-[15px]">
      <PageHead
        title={view.name}
        sub={`Grade ${view.grade}, ${view.subject}; class code ${classCodeWords(view.code)}${view.untilDay ? `; until ${dayWords(view.untilDay)}` : ""}`}
      >
        <Button
          disabled={run.busy}
          onClick={() =>
            run(
              () => signOutClassAction({ classId }),
              ({ ended }) =>
                ended === 0 ? "Nobody was signed in." : `Signed out ${ended} ${ended === 1 ? "device" : "devices"}.`,
            )
          }
        >
          Sign everyone out
        </Button>
        {view.mayShare ? (
          <Button
            disabled={run.busy}
            onClick={() =>
              run(
                () => archiveClassAction({ classId }),
                `Put away ${view.name}. Work and evidence are kept.`,
                () => router.push("/desk/all/roster?show=classes"),
              )
            }
          >
            Put away
          </Button>
        ) : null}
      </PageHead>
      <div className="space-y-7">
        <section aria-labelledby="staff">
          <h2 id="staff" className={heading}>
            Who is on this class
          </h2>
          {view.staff.length === 0 ? (
            <p className="text-clay font-semibold">Nobody yet. Name a teacher below.</p>
          ) : null}
          <ul>
            {view.staff.map((member) => (
              <li
                key={member.rowId}
                className={`border-hair flex items-center justify-between gap-4 border-t py-1.5 ${member.over ? "text-mute" : ""}`}
              >
                <span>
                  {member.name}, {member.role}
                  {member.over
                    ? `, until ${dayWords(member.until ?? "")} (over)`
                    : member.until
                      ? `, until ${dayWords(member.until)}; access ends by itself`
                      : ""}
                </span>
                {view.mayShare && !member.over ? (
                  <Button
                    look="quiet"
                    disabled={run.busy}
                    onClick={() =>
                      run(
                        () => endShareAction({ classId, staffRowId: member.rowId }),
                        `${member.name} is off ${view.name}.`,
                      )
                    }
                  >
                    End now
                  </Button>
                ) : null}
              </li>
            ))}
          </ul>
          {view.mayShare ? <Share view={view} /> : null}
        </section>
        {view.mayShare ? <Rename view={view} /> : null}
        <p>
          <a className="underline underline-offset-4" href={`${base}/roster?class=${view.id}`}>
            Students of {view.name}
          </a>
        </p>
      </div>
    </div>
  );
}

function Share({ view }: { readonly view: ClassSettingsView }) {
  const run = useRun(undoAction, true);
  const [role, setRole] = useState<keyof typeof ROLE_WORDS>(
    view.staff.some((member) => member.role === "teacher" && !member.over) ? "co-teacher" : "teacher",
  );
  const [untilDay, setUntilDay] = useState("");
  const [personId, setPersonId] = useState("");
  const name = view.colleagues.find(({ id }) => id === personId)?.name ?? "";
  return (
    <form
      className="border-hair mt-3 flex flex-wrap items-end gap-3 border-t pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        run(
          () => shareClassAction({ classId: view.id, personId, role, untilDay }),
          `${name} is now ${role} of ${view.name}.`,
          () => setPersonId(""),
        );
      }}
    >
      <label>
        <span className="mb-0.5 block">Share with</span>
        <select
          className={FIELD}
          required
          value={personId}
          onChange={(event) => setPersonId(event.target.value)}
          aria-label="Colleague"
        >
          <option value="">choose a colleague</option>
          {view.colleagues.map(({ id, name: own }) => (
            <option key={id} value={id}>
              {own}
            </option>
          ))}
        </select>
      </label>
      <label>
        <span className="mb-0.5 block">as</span>
        <select
          className={FIELD}
          value={role}
          onChange={(event) => setRole(event.target.value as keyof typeof ROLE_WORDS)}
          aria-label="Role"
        >
          {Object.entries(ROLE_WORDS).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <Field
        label={role === "substitute" ? "last day" : "last day, if any"}
        type="date"
        min={view.today}
        required={role === "substitute"}
        value={untilDay}
        onChange={(event) => setUntilDay(event.target.value)}
      />
      <Button look="main" type="submit" disabled={run.busy || personId === ""}>
        Share
      </Button>
      <div className="w-full">
        <Problem text={run.problem} />
      </div>
    </form>
  );
}

function Rename({ view }: { readonly view: ClassSettingsView }) {
  const run = useRun(undoAction, true);
  const [name, setName] = useState(view.name);
  const [untilDay, setUntilDay] = useState(view.untilDay ?? "");
  const same = name === view.name && untilDay === (view.untilDay ?? "");
  return (
    <section aria-labelledby="name">
      <h2 id="name" className={heading}>
        Name and last day
      </h2>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          run(() => changeClassAction({ classId: view.id, name, untilDay }), `Changed ${name}.`);
        }}
      >
        <Field label="Name" value={name} maxLength={40} onChange={(event) => setName(event.target.value)} />
        <Field
          label="Last day, if any"
          type="date"
          value={untilDay}
          onChange={(event) => setUntilDay(event.target.value)}
        />
        <Button type="submit" disabled={run.busy || same}>
          Change
        </Button>
      </form>
      <Problem text={run.problem} />
    </section>
  );
}
