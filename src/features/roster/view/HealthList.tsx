"use client";
import Link from "next/link";
import { type ReactNode, useState } from "react";
import { Button } from "@/ui/primitives/Button";
import type { HealthView } from "../types";

type About = HealthView["about"];

/** What looks off, each line with its repair beside it. Long lists open on demand. */
export function HealthList({
  health,
  base,
  mayEnroll,
  unlock,
  newSignIn,
  place,
  busy,
}: {
  readonly health: readonly HealthView[];
  readonly base: string;
  readonly mayEnroll: boolean;
  readonly unlock: (about: About) => void;
  readonly newSignIn: (about: About) => void;
  readonly place: (about: About) => void;
  readonly busy: boolean;
}) {
  const [open, setOpen] = useState<string | null>(null);
  if (health.length === 0) return null;
  const repairs = ({ kind, about }: HealthView): ReactNode => {
    const quiet = (words: string, act: () => void) => (
      <Button key={words} look="quiet" className="px-1.5! text-[14px]!" disabled={busy} onClick={act}>
        {words}
      </Button>
    );
    const link = (words: string, href: string) => (
      <Link
        key={href}
        href={href}
        className="decoration-hair px-1.5 text-[14px] font-semibold underline underline-offset-4"
      >
        {words}
      </Link>
    );
    switch (kind) {
      case "locked":
        return [quiet("Let them try again", () => unlock(about)), quiet("New PIN", () => newSignIn(about))];
      case "no-pin":
        return quiet("Make PINs or cards", () => newSignIn(about));
      case "never-signed-in":
        return quiet("New cards", () => newSignIn(about));
      case "no-class":
        return mayEnroll ? quiet("Put into a class", () => place(about)) : null;
      case "no-teacher":
        return about
          .slice(0, 3)
          .map(({ id, name }) => link(`Name a teacher of ${name}`, `${base}/roster/classes/${id}`));
      case "class-over":
        return about
          .slice(0, 3)
          .map(({ id, name }) => link(`Extend or put away ${name}`, `${base}/roster/classes/${id}`));
      case "class-size":
        return about.slice(0, 1).map(({ id, name }) => link(`Look at ${name}`, `${base}/roster/classes/${id}`));
      case "duplicate":
        return about.map(({ id }, n) => link(n === 0 ? "Look at one" : "the other", `${base}/roster/students/${id}`));
      case "grade":
        return about.length === 1
          ? link("Correct the grade", `${base}/roster/students/${about[0]?.id}`)
          : mayEnroll
            ? quiet("Move them", () => place(about))
            : null;
    }
  };
  return (
    <section aria-label="What looks off" className="no-print border-clay mb-4 border-l-4 pl-3 text-[15px]">
      <ul>
        {health.map((issue) => {
          const key = `${issue.kind} ${issue.because}`;
          const names = issue.about.length > 1 || issue.kind === "no-class";
          return (
            <li key={key} className="py-0.5">
              <span data-name={issue.kind === "duplicate" || issue.kind === "grade" ? "sentence" : undefined}>
                {issue.because}
              </span>
              {names && issue.about.length <= 4 ? (
                <>
                  : <span data-name>{issue.about.map(({ name }) => name).join(", ")}</span>
                </>
              ) : null}
              .{" "}
              {issue.about.length > 4 ? (
                <Button
                  look="quiet"
                  className="px-1.5! text-[14px]!"
                  aria-expanded={open === key}
                  onClick={() => setOpen(open === key ? null : key)}
                >
                  {open === key ? "Hide" : "Who?"}
                </Button>
              ) : null}
              {repairs(issue)}
              {open === key ? (
                <p className="text-mute max-w-4xl pb-1" data-name>
                  {issue.about.map(({ name }) => name).join(", ")}
                </p>
              ) : null}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
