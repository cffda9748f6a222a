"use client";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import type { GoalLevel, GoalUnit } from "@/core/model/goal";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD } from "@/ui/primitives/Field";
import { FindField } from "@/ui/primitives/FindField";
import { setGoalAction } from "../../actions";
import type { GoalsView } from "../../goalTypes";

const USUAL: Readonly<Record<GoalUnit, number>> = { minutes: 90, pieces: 6, skills: 3 };
const SHOWN = 40;

/** A goal as a sentence: so much each, or these skills at a level, by a day. */
export function NewGoal({
  view,
  classIds,
  close,
}: {
  readonly view: GoalsView;
  readonly classIds: readonly string[];
  readonly close: () => void;
}) {
  const run = useRun(undoAction, true);
  const [id] = useState(() => v7());
  const [aim, setAim] = useState<"amount" | "level">("amount");
  const [unit, setUnit] = useState<GoalUnit>("minutes");
  const [target, setTarget] = useState(USUAL.minutes);
  const [level, setLevel] = useState<GoalLevel>("secure");
  const [skillIds, setSkillIds] = useState<readonly string[]>([]);
  const [untilDay, setUntilDay] = useState(view.usualDay);
  const [find, setFind] = useState("");
  const wanted = find.trim().toLocaleLowerCase();
  const found = view.skills.filter(({ id: own, name }) =>
    wanted === "" ? true : skillIds.includes(own) || name.toLocaleLowerCase().includes(wanted),
  );
  const save = () =>
    run(
      () =>
        setGoalAction({
          ...{ id, classIds, aim, untilDay },
          ...(aim === "amount" ? { unit, target } : { level, skillIds }),
        }),
      "Set the goal.",
      close,
    );
  return (
    <Dialog open onOpenChange={close} title="Set a goal">
      <form
        className="grid gap-3 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <fieldset className="flex gap-5">
          <legend className="sr-only">What is to be reached</legend>
          {(
            [
              ["amount", "so much of something each"],
              ["level", "skills at a level"],
            ] as const
          ).map(([value, words]) => (
            <label key={value} className="flex items-center gap-2">
              <input type="radio" name="aim" checked={aim === value} onChange={() => setAim(value)} />
              {words}
            </label>
          ))}
        </fieldset>
        {aim === "amount" ? (
          <div className="flex items-end gap-3">
            <label>
              <span className="mb-0.5 block">Each student</span>
              <input
                type="number"
                min={1}
                max={5000}
                className={`${FIELD} w-24`}
                value={Number.isNaN(target) ? "" : target}
                onChange={(event) => setTarget(event.target.valueAsNumber)}
              />
            </label>
            <label>
              <span className="sr-only">Of what</span>
              <select
                className={FIELD}
                value={unit}
                onChange={(event) => {
                  setUnit(event.target.value as GoalUnit);
                  setTarget(USUAL[event.target.value as GoalUnit]);
                }}
              >
                <option value="minutes">minutes</option>
                <option value="pieces">finished pieces</option>
                <option value="skills">skills mastered</option>
              </select>
            </label>
          </div>
        ) : (
          <>
            <label>
              At least{" "}
              <select className={FIELD} value={level} onChange={(event) => setLevel(event.target.value as GoalLevel)}>
                <option value="secure">Secure</option>
                <option value="developing">Developing</option>
              </select>{" "}
              in
            </label>
            <FindField
              label="Find a skill"
              placeholder="Find a skill"
              value={find}
              set={(words) => setFind(words ?? "")}
            />
            <ul className="border-hair max-h-[30vh] overflow-y-auto border p-2">
              {found.slice(0, SHOWN).map(({ id: own, name }) => (
                <li key={own}>
                  <label className="flex items-center gap-2">
                    <input
                      type="checkbox"
                      className="accent-ink"
                      checked={skillIds.includes(own)}
                      onChange={() =>
                        setSkillIds(skillIds.includes(own) ? skillIds.filter((one) => one !== own) : [...skillIds, own])
                      }
                    />
                    {name}
                  </label>
                </li>
              ))}
              {found.length > SHOWN ? (
                <li className="text-mute">{found.length - SHOWN} more: find them by name</li>
              ) : null}
              {found.length === 0 ? <li className="text-mute">No skill has this in its name.</li> : null}
            </ul>
          </>
        )}
        <label>
          <span className="mb-0.5 block">By</span>
          <input
            type="date"
            className={FIELD}
            value={untilDay}
            required
            onChange={(event) => setUntilDay(event.target.value)}
          />
        </label>
        {run.problem ? (
          <p role="alert" className="text-clay">
            {run.problem}
          </p>
        ) : null}
        <div className="flex gap-3">
          <Button type="submit" look="main" disabled={run.busy || (aim === "level" && skillIds.length === 0)}>
            Set it
          </Button>
          <Button onClick={close}>Leave it</Button>
        </div>
      </form>
    </Dialog>
  );
}
