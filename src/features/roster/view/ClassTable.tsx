"use client";
import Link from "next/link";
import { useRun } from "@/client/useRun";
import { classCodeWords } from "@/core/roster/classCode";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { dayWords } from "@/words/staff/dayWords";
import { restoreClassAction } from "../actions";
import type { ArchivedClass, RosterClass } from "../types";

const KIND = { scheduled: "", homeroom: "homeroom", own: "a teacher's own" } as const;

/** Classes with who teaches them, and those that were put away. */
export function ClassTable({
  classes,
  archived,
  slugs,
  base,
}: {
  readonly classes: readonly RosterClass[];
  readonly archived: readonly ArchivedClass[];
  readonly slugs: Readonly<Record<string, string>>;
  readonly base: string;
}) {
  const run = useRun(undoAction);
  return (
    <div className="max-w-6xl text-[15px]">
      <table className="w-full">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="py-1 font-normal">Class</th>
            <th className="w-20 font-normal">Grade</th>
            <th className="w-40 font-normal">Subject</th>
            <th className="font-normal">Staff</th>
            <th className="w-24 font-normal">Students</th>
            <th className="w-28 font-normal">Class code</th>
            <th className="w-40 font-normal" />
          </tr>
        </thead>
        <tbody>
          {classes.map((own) => (
            <tr key={own.id} className="border-hair border-t">
              <td className="py-1.5">
                <Link
                  className="decoration-hair font-semibold underline underline-offset-3"
                  href={`${base}/roster/classes/${own.id}`}
                >
                  {own.name}
                </Link>
                {KIND[own.kind] ? <span className="text-mute">, {KIND[own.kind]}</span> : null}
              </td>
              <td>{own.grade}</td>
              <td>{own.subject}</td>
              <td className={own.staff.length === 0 ? "text-clay font-semibold" : ""}>
                {own.staff.join(", ") || "no teacher"}
              </td>
              <td>{own.students}</td>
              <td className="tracking-widest">{classCodeWords(own.code)}</td>
              <td className="text-right">
                {slugs[own.id] ? (
                  <Link className="decoration-hair underline underline-offset-3" href={`/desk/${slugs[own.id]}`}>
                    work and evidence
                  </Link>
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {classes.length === 0 ? (
        <p className="text-mute py-4">No classes yet. Import a file, or make a class of your own.</p>
      ) : null}
      {archived.length > 0 ? (
        <details className="mt-5">
          <summary className="font-semibold">{archived.length} put away</summary>
          <ul className="mt-1">
            {archived.map((own) => (
              <li key={own.id} className="border-hair flex items-center justify-between gap-4 border-t py-1.5">
                <span>
                  {own.name}{" "}
                  <span className="text-mute">
                    grade {own.grade} {own.subject}, put away {dayWords(own.archivedOn)}
                  </span>
                </span>
                {own.mayRestore ? (
                  <Button
                    look="quiet"
                    disabled={run.busy}
                    onClick={() => run(() => restoreClassAction({ classId: own.id }), `${own.name} is back.`)}
                  >
                    Bring back
                  </Button>
                ) : null}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </div>
  );
}
