"use client";
import { X } from "lucide-react";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { LEVEL_NAMES } from "@/words/staff/levelNames";
import { giveUpGoalAction } from "../../actions";
import type { AmountGoal, GoalsView, GoalView, LevelGoal } from "../../goalTypes";
import { COURSE_WORDS, GOAL_UNITS_WORDS, SKILL_COURSE_WORDS } from "../../sheets/goalSheets";
import { Who } from "../parts/Who";
import { NewGoal } from "./NewGoal";

/** What the classes are to come to by a day, and who is on course. */
export function Goals({
  view,
  classIds,
  mayChange,
}: {
  readonly view: GoalsView;
  readonly classIds: readonly string[];
  readonly mayChange: boolean;
}) {
  const [adding, setAdding] = useState(false);
  if (view.goals.length === 0 && !mayChange) return null;
  return (
    <section className="mt-5" aria-labelledby="goals-title">
      <h2 id="goals-title" className="text-[16px] font-bold">
        Who is on course?
      </h2>
      {view.goals.length === 0 ? <p className="text-mute text-[14px]">No goal is set.</p> : null}
      {view.goals.map((goal) => (
        <Goal key={goal.id} goal={goal} manyClasses={view.manyClasses} mayChange={mayChange} />
      ))}
      {mayChange ? (
        <p className="no-print mt-2">
          <Button onClick={() => setAdding(true)}>Set a goal</Button>
        </p>
      ) : null}
      {adding ? <NewGoal view={view} classIds={classIds} close={() => setAdding(false)} /> : null}
    </section>
  );
}

function Goal({
  goal,
  manyClasses,
  mayChange,
}: {
  readonly goal: GoalView;
  readonly manyClasses: boolean;
  readonly mayChange: boolean;
}) {
  const run = useRun(undoAction);
  const what =
    goal.aim === "amount"
      ? `${goal.target} ${GOAL_UNITS_WORDS[goal.unit]} each`
      : `${goal.skills.length === 1 ? "1 skill" : `${goal.skills.length} skills`} at ${LEVEL_NAMES[goal.level]}`;
  const left = goal.daysLeft === 0 ? "over" : `${goal.daysLeft} school ${goal.daysLeft === 1 ? "day" : "days"} left`;
  return (
    <article className="border-hair mt-1 border-t py-1.5 text-[14px]">
      <h3 className="flex items-baseline gap-3">
        <b>
          {what} by {goal.until}
        </b>
        <span className="text-mute">
          {manyClasses ? `${goal.className}, ` : ""}
          {left}
        </span>
        {mayChange ? (
          <button
            type="button"
            className="no-print text-mute hover:text-ink ml-auto p-0.5"
            aria-label={`Give up the goal: ${what} by ${goal.until}`}
            disabled={run.busy}
            onClick={() => run(() => giveUpGoalAction({ goalId: goal.id }), "Gave the goal up.")}
          >
            <X size={15} aria-hidden />
          </button>
        ) : null}
      </h3>
      {goal.aim === "amount" ? <Amount goal={goal} /> : <Level goal={goal} />}
    </article>
  );
}

const COURSES = [
  ["reached", ""],
  ["on-course", ""],
  ["open", ""],
  ["behind", "text-clay"],
  ["too-early", "text-mute"],
] as const;

function Amount({ goal }: { readonly goal: AmountGoal }) {
  return (
    <ul className="flex flex-wrap gap-x-7">
      {COURSES.map(([course, look]) => {
        const words = COURSE_WORDS[course];
        const own = goal.students.filter(({ projection }) => projection.course === course);
        if (own.length === 0) return null;
        return (
          <li key={course}>
            <Who
              students={own.map(({ id, name, projection }) => ({
                id,
                name: `${name}: ${Math.round(projection.reached)}${projection.projected === null || course === "reached" ? "" : `, likely ${Math.round(projection.projected)} (${Math.round(projection.low ?? 0)} to ${Math.round(projection.high ?? 0)})`}`,
              }))}
              named={own}
              skillId={null}
              what={words}
              className={look}
            >
              {own.length} {words}
            </Who>
          </li>
        );
      })}
    </ul>
  );
}

const SKILL_COURSES = [
  ["there", ""],
  ["on-course", ""],
  ["behind", "text-clay"],
] as const;
const percent = (share: number) => `${Math.round(share * 100)} %`;

function Level({ goal }: { readonly goal: LevelGoal }) {
  return (
    <table className="w-full max-w-3xl">
      <tbody>
        {goal.skills.map((skill) => (
          <tr key={skill.id}>
            <th scope="row" className="py-0.5 pr-4 text-left font-normal">
              {skill.name}
            </th>
            {SKILL_COURSES.map(([course, look]) => {
              const words = SKILL_COURSE_WORDS[course];
              const own = skill.students.filter((student) => student.course === course);
              return (
                <td key={course} className="w-48 py-0.5">
                  {own.length === 0 ? null : (
                    <Who
                      students={own.map(({ id, name, now, later }) => ({
                        id,
                        name: `${name}: ${percent(now)}${course === "there" ? "" : `, likely ${percent(later)}`}`,
                      }))}
                      named={own}
                      skillId={skill.id}
                      what={`${words} in ${skill.name}`}
                      className={look}
                    >
                      {own.length} {words}
                    </Who>
                  )}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
