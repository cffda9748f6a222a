"use client";
import { type FormEvent, useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD, Field } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { choosePlanAction } from "../actions";
import type { PlanView } from "../types";

const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri"] as const;

/** Chooses a plan or the year of a grade, its first day and the days with lessons: dates fall out of the school's calendar. */
export function ChoosePlan({
  view: { classId, className, choice, sisters, slots },
  sisterIds,
  open,
  close,
}: {
  readonly view: PlanView;
  readonly sisterIds: readonly string[];
  readonly open: boolean;
  readonly close: () => void;
}) {
  const run = useRun(undoAction, true);
  const [subjectId, setSubjectId] = useState(choice.subjectId);
  const [grade, setGrade] = useState(choice.grade);
  const [planId, setPlanId] = useState(() => choice.plans.find(({ grade: of }) => of === choice.grade)?.id ?? "");
  const [firstDay, setFirstDay] = useState(choice.firstDay);
  const [weekdays, setWeekdays] = useState<readonly number[]>(choice.weekdays);
  const grades = choice.subjects.find(({ id }) => id === subjectId)?.grades ?? [];
  const plans = choice.plans.filter((one) => one.subjectId === subjectId);
  const plan = plans.find(({ id }) => id === planId);
  const year = plan ?? grades.find((one) => one.grade === grade);
  const also = sisters.filter(({ id }) => sisterIds.includes(id));
  const names = [className, ...also.map(({ name }) => name)].join(" and ");
  const choose = (event: FormEvent) => {
    event.preventDefault();
    const classIds = [classId, ...also.map(({ id }) => id)];
    const what = plan ? { planId: plan.id, grade: plan.grade } : { grade };
    const said = plan ? `“${plan.name}” is the plan of ${names}.` : `Planned the year of grade ${grade} for ${names}.`;
    run(
      () => choosePlanAction({ classIds, subjectId, firstDay, weekdays, ...what }),
      ({ gone }) => (gone.length === 0 ? said : `${said} Not in the library any more: ${gone.join(", ")}.`),
      close,
    );
  };
  return (
    <Dialog open={open} onOpenChange={(isOpen) => (isOpen ? null : close())} title={`A plan for ${names}`}>
      <form onSubmit={choose} className="space-y-4 text-[15px]">
        {choice.subjects.length > 1 ? (
          <label className="block">
            <span className="mb-0.5 block">Subject</span>
            <select
              className={`${FIELD} w-full`}
              value={subjectId}
              onChange={({ target }) => setSubjectId(target.value)}
            >
              {choice.subjects.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        ) : null}
        <label className="block">
          <span className="mb-0.5 block">Plan</span>
          <select
            className={`${FIELD} w-full`}
            value={plan ? plan.id : year ? grade : ""}
            onChange={({ target: { value } }) => {
              const chosen = plans.find(({ id }) => id === value);
              setPlanId(chosen?.id ?? "");
              if (!chosen) setGrade(Number(value));
            }}
            aria-label="Plan"
          >
            {year ? null : <option value="">choose one</option>}
            {plans.length > 0 ? (
              <optgroup label="Plans of colleagues, the school and you">
                {plans.map(({ id, name, whose, grade: of, slots: count, weeks }) => (
                  <option key={id} value={id}>
                    {name} ({whose}): grade {of}, {count} slots, {weeks} weeks
                  </option>
                ))}
              </optgroup>
            ) : null}
            <optgroup label="Years that come with Oxbow">
              {grades.map((one) => (
                <option key={one.grade} value={one.grade}>
                  grade {one.grade}: {one.units} units, {one.weeks} weeks
                </option>
              ))}
            </optgroup>
          </select>
        </label>
        <Field
          label="First day"
          type="date"
          required
          value={firstDay}
          onChange={({ target }) => setFirstDay(target.value)}
        />
        <fieldset>
          <legend className="mb-0.5">Lessons on</legend>
          <div className="flex gap-4">
            {DAYS.map((name, n) => (
              <label key={name} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="accent-ink"
                  checked={weekdays.includes(n + 1)}
                  onChange={({ target: { checked } }) =>
                    setWeekdays(checked ? [...weekdays, n + 1].sort() : weekdays.filter((one) => one !== n + 1))
                  }
                />
                {name}
              </label>
            ))}
          </div>
        </fieldset>
        {slots.length > 0 ? (
          <p className="text-mute">
            It takes the place of the {slots.length} slots that are planned now. What students have shown stays.
          </p>
        ) : null}
        <FormFoot problem={run.problem} deed="Make it the plan" disabled={run.busy || !year} close={close} />
      </form>
    </Dialog>
  );
}
