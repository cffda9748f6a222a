"use client";
import { X } from "lucide-react";
import { useRouter } from "next/navigation";
import { type FormEvent, useState } from "react";
import { useRun } from "@/client/useRun";
import { PLAN_LEVELS, type PlanLevel } from "@/core/model/planPlace";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD, Field } from "@/ui/primitives/Field";
import { closePlanAction, openPlanAction, putPlanAwayAction, renamePlanAction } from "../actions";
import type { SharedPlanView } from "../sharedTypes";
import { PLAN_LEVEL_WORDS } from "./planLevelWords";

/** Who else may what with a plan, its name, and the way to put it away; for those who look after it. */
export function PlanSharing({ view, base }: { readonly view: SharedPlanView; readonly base: string }) {
  const run = useRun(undoAction);
  const router = useRouter();
  const [who, setWho] = useState("");
  const [level, setLevel] = useState<PlanLevel>("use");
  const [name, setName] = useState(view.name);
  const planId = view.id;
  const targets = [
    ...view.colleagues.map(({ id, name: called }) => ({ value: `person ${id}`, words: called })),
    ...view.schools.map(({ id, name: called }) => ({ value: `school ${id}`, words: `everybody of ${called}` })),
  ];
  const open = (event: FormEvent) => {
    event.preventDefault();
    const [kind, id] = who.split(" ");
    const target = kind === "person" ? { personId: id } : { schoolId: id };
    const words = targets.find(({ value }) => value === who)?.words ?? "";
    run(
      () => openPlanAction({ planId, level, ...target }),
      `${words} may ${PLAN_LEVEL_WORDS[level]}.`,
      () => setWho(""),
    );
  };
  const rename = (event: FormEvent) => {
    event.preventDefault();
    run(() => renamePlanAction({ planId, name }), "Renamed.");
  };
  return (
    <section className="mb-6">
      <h2 className="mb-1.5 font-serif text-[18px] font-medium">Who may use it</h2>
      <ul className="mb-2">
        {view.rights.map((right) => (
          <li key={right.id} className="border-hair flex items-center gap-2 border-t py-1">
            <span className="flex-1 first-letter:uppercase">
              {right.who} may {PLAN_LEVEL_WORDS[right.level]}
              {right.hasLeft ? <span className="text-clay"> but has left the school</span> : null}
            </span>
            <button
              type="button"
              className="p-1 opacity-60 hover:opacity-100"
              aria-label={`Close the plan to ${right.who}`}
              onClick={() => run(() => closePlanAction({ planId, rightId: right.id }), `Closed to ${right.who}.`)}
            >
              <X size={16} aria-hidden />
            </button>
          </li>
        ))}
        {view.rights.length === 0 ? <li className="text-mute border-hair border-t py-1">Nobody else yet.</li> : null}
      </ul>
      <form onSubmit={open} className="mb-4 flex flex-wrap items-end gap-2">
        <select
          aria-label="Open it to"
          className={`${FIELD} w-full`}
          value={who}
          required
          onChange={({ target }) => setWho(target.value)}
        >
          <option value="">Open it to…</option>
          {targets.map(({ value, words }) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
        <select
          aria-label="What they may do"
          className={FIELD}
          value={level}
          onChange={({ target }) => setLevel(target.value === "change" ? "change" : "use")}
        >
          {PLAN_LEVELS.map((one) => (
            <option key={one} value={one}>
              to {PLAN_LEVEL_WORDS[one]}
            </option>
          ))}
        </select>
        <Button type="submit" disabled={run.busy}>
          Open it
        </Button>
      </form>
      <form onSubmit={rename} className="flex items-end gap-2">
        <Field label="Name" maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
        <Button type="submit" disabled={run.busy || name.trim() === "" || name === view.name}>
          Rename
        </Button>
      </form>
      <p className="mt-3">
        <Button
          look="quiet"
          disabled={run.busy}
          onClick={() =>
            run(
              () => putPlanAwayAction({ planId }),
              `Put “${view.name}” away.`,
              () => router.push(`${base}/plan/plans`),
            )
          }
        >
          Put the plan away
        </Button>
      </p>
    </section>
  );
}
