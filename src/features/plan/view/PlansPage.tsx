"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { type FormEvent, useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PutAway } from "@/ui/layout/PutAway";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD, Field, Problem } from "@/ui/primitives/Field";
import { bringPlanBackAction, makePlanAction } from "../actions";
import type { PlansView } from "../sharedTypes";
import { PLAN_LEVEL_WORDS } from "./planLevelWords";

/** The plans that are open to one, and the way to make another. */
export function PlansPage({ view, base }: { readonly view: PlansView; readonly base: string }) {
  const run = useRun(undoAction);
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead
        title="Plans"
        sub="A plan is made once, shared, and given to classes, each of which has its own dates. Copies can take later changes over."
      >
        <ButtonLink href={`${base}/plan`}>To the plan of the class</ButtonLink>
      </PageHead>
      <div className="grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div>
          {view.plans.length === 0 ? (
            <p className="text-mute py-4">
              No plan yet but the years that come with Oxbow. Make one from a year, or from what a class has.
            </p>
          ) : (
            <table className="w-full">
              <thead className="text-mute text-left text-[14px]">
                <tr>
                  <th className="py-1 font-normal">Plan</th>
                  <th className="font-normal">Whose</th>
                  <th className="font-normal">For</th>
                  <th className="text-right font-normal">Slots</th>
                  <th className="text-right font-normal">Weeks</th>
                  <th className="pl-6 font-normal">You may</th>
                </tr>
              </thead>
              <tbody>
                {view.plans.map((plan) => (
                  <tr key={plan.id} className="border-hair border-t">
                    <th scope="row" className="py-1.5 pr-3 text-left">
                      <Link className="underline underline-offset-3" href={`${base}/plan/plans/${plan.id}`}>
                        {plan.name}
                      </Link>
                    </th>
                    <td className="pr-3">
                      {plan.whose}
                      {plan.ownerLeft ? <span className="text-clay"> (has left)</span> : null}
                    </td>
                    <td className="pr-3">
                      {plan.subject}, grade {plan.grade}
                    </td>
                    <td className="text-right tabular-nums">{plan.slots}</td>
                    <td className="text-right tabular-nums">{plan.weeks}</td>
                    <td className="pl-6">{PLAN_LEVEL_WORDS[plan.level]}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <PutAway
            things={view.putAway}
            bringBack={({ id, name }) => run(() => bringPlanBackAction({ planId: id }), `Brought “${name}” back.`)}
          />
        </div>
        <MakePlan view={view} base={base} />
      </div>
    </div>
  );
}

/** What a plan begins as, as the form's choice names it. */
type From = { readonly value: string; readonly words: string; readonly input: object };

function MakePlan({ view, base }: { readonly view: PlansView; readonly base: string }) {
  const run = useRun(undoAction, true);
  const router = useRouter();
  const [name, setName] = useState("");
  const [ofSchool, setOfSchool] = useState(false);
  const years: From[] = view.years.map(({ subjectId, subject, grade, units, weeks }) => ({
    value: `year ${subjectId} ${grade}`,
    words: `${subject}, grade ${grade}: ${units} units, ${weeks} weeks`,
    input: { isYear: true, subjectId, grade },
  }));
  const classes: From[] = view.classes.map(({ id, name: called, subjectId, grade }) => ({
    value: `class ${id}`,
    words: `what ${called} has`,
    input: { classId: id, subjectId, grade },
  }));
  const [subject] = view.years;
  const empty: From = {
    value: "empty",
    words: "nothing",
    input: {
      subjectId: view.classes[0]?.subjectId ?? subject?.subjectId,
      grade: view.classes[0]?.grade ?? subject?.grade,
    },
  };
  const all = [...classes, ...years, empty];
  const [from, setFrom] = useState(all[0]?.value ?? "empty");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const input = all.find(({ value }) => value === from)?.input ?? {};
    run(
      () => makePlanAction({ id: v7(), name, ofSchool, ...input }),
      `Made the plan “${name}”.`,
      ({ planId }) => router.push(`${base}/plan/plans/${planId}`),
    );
  };
  return (
    <form onSubmit={submit} className="no-print space-y-3">
      <h2 className="font-serif text-[18px] font-medium">Make a plan</h2>
      <Field label="Name" required maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
      <label className="block">
        <span className="mb-0.5 block">It begins with</span>
        <select className={`${FIELD} w-full`} value={from} onChange={({ target }) => setFrom(target.value)}>
          <optgroup label="A class’s own plan">
            {classes.map(({ value, words }) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </optgroup>
          <optgroup label="Years that come with Oxbow">
            {years.map(({ value, words }) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </optgroup>
          <option value={empty.value}>{empty.words}</option>
        </select>
      </label>
      {view.coordinates ? (
        <label className="block">
          <span className="mb-0.5 block">Belongs to</span>
          <select
            className={`${FIELD} w-full`}
            value={ofSchool ? "school" : "me"}
            onChange={({ target }) => setOfSchool(target.value === "school")}
          >
            <option value="me">me</option>
            <option value="school">{view.school}: its whole staff may copy it</option>
          </select>
        </label>
      ) : null}
      <Problem text={run.problem} />
      <Button type="submit" look="main" disabled={run.busy}>
        Make the plan
      </Button>
    </form>
  );
}
