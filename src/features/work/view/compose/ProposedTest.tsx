"use client";
import { useState } from "react";
import { TEST_LEVELS, type TestLevel } from "@/core/assembly/testProblem";
import { Button } from "@/ui/primitives/Button";
import { Choices } from "@/ui/primitives/Choices";
import { WordEdit } from "@/ui/primitives/WordEdit";
import type { ComposeView } from "../../types";
import { AddItem } from "./AddItem";
import { AddStandards } from "./AddStandards";
import type { Change, Composition, ItemFaceOf, Receiver, TestDesign } from "./composition";
import { FormItems } from "./FormItems";
import { BOX, LABEL } from "./look";
import { NumberBox } from "./NumberBox";
import { Predicted } from "./Predicted";
import { countsOf, useProposal } from "./useProposal";

const LEVELS: Readonly<Record<TestLevel, string>> = {
  easier: "easier than the line of mastery",
  usual: "at the line of mastery",
  harder: "harder than the line of mastery",
};

/** A test from standards: proposed at once, and every item of it can be looked at, swapped, held, dropped or added. */
export function ProposedTest({
  view,
  composition,
  change,
  receivers,
  Face,
}: {
  readonly view: ComposeView;
  readonly composition: Composition;
  readonly change: Change;
  readonly receivers: readonly Receiver[];
  readonly Face: ItemFaceOf;
}) {
  const { test, made } = composition;
  const [isTwo, setTwo] = useState(test.forms.length > 1);
  const [shown, setShown] = useState(0);
  const classId = receivers[0]?.classId ?? "";
  const forms = made === "pair" || isTwo ? 2 : 1;
  const { state, again } = useProposal(composition, change, classId, forms);
  const set = (values: Partial<TestDesign> | ((before: TestDesign) => Partial<TestDesign>)) =>
    change((before) => ({
      ...before,
      test: { ...before.test, ...(typeof values === "function" ? values(before.test) : values) },
    }));
  const place = Math.min(shown, forms - 1);
  const names = made === "pair" ? ["Before", "After"] : ["Form A", "Form B"];
  return (
    <section>
      <h2 className={LABEL}>Standards</h2>
      <ul className="text-[15px]">
        {countsOf(test).map(({ skillId, items }) => {
          const skill = view.skills.find(({ id }) => id === skillId);
          const there = state.available[skillId];
          return (
            <li key={skillId} className="border-hair flex flex-wrap items-center gap-2.5 border-b py-1">
              <span className="min-w-0 flex-1">
                {skill?.name ?? skillId} <span className="text-mute text-[14px]">{skill?.code}</span>
              </span>
              <NumberBox
                label={`Items of ${skill?.name ?? skillId}`}
                value={items}
                min={1}
                max={20}
                set={(wanted) =>
                  set((before) => ({
                    skills: before.skills.map((one) =>
                      one.skillId === skillId ? { ...one, items: Math.min(20, Math.max(1, wanted)) } : one,
                    ),
                  }))
                }
              />
              <PointsOfSkill
                name={skill?.name ?? skillId}
                points={test.forms.flatMap((form) =>
                  form.flatMap(({ item, points }) => (item.skillId === skillId ? [points] : [])),
                )}
                set={(points) =>
                  set((before) => ({
                    forms: before.forms.map((form) =>
                      form.map((one) => (one.item.skillId === skillId ? { ...one, points } : one)),
                    ),
                  }))
                }
              />
              <span className="text-mute w-36 text-[14px]">
                {there === undefined ? "items" : `of ${there} ${there === 1 ? "item" : "items"} to draw`}
              </span>
              <button
                type="button"
                aria-label={`Without ${skill?.name ?? skillId}`}
                className="px-1.5 text-[17px]"
                onClick={() =>
                  set((before) => ({
                    skills: before.skills.filter((one) => one.skillId !== skillId),
                    forms: before.forms.map((form) => form.filter(({ item }) => item.skillId !== skillId)),
                  }))
                }
              >
                ×
              </button>
            </li>
          );
        })}
      </ul>
      <AddStandards
        view={view}
        chosen={test.skills.map(({ skillId }) => skillId)}
        add={(ids) =>
          set((before) => ({
            skills: [
              ...before.skills,
              ...ids
                .filter((id) => !before.skills.some((one) => one.skillId === id))
                .map((skillId) => ({ skillId, items: 0 })),
            ],
          }))
        }
      />
      <p className="mt-3 text-[15px]">
        <WordEdit label="Difficulty" word={LEVELS[test.level]}>
          <Choices
            name="level"
            value={test.level}
            of={TEST_LEVELS.map((level) => [level, LEVELS[level]] as const)}
            set={(level) => set({ level })}
          />
        </WordEdit>
        ; done{" "}
        <Toggle
          label="Done"
          on={test.onPaper}
          words={["on paper, typed in afterwards", "on the screen"]}
          set={(onPaper) => set({ onPaper })}
        />
        {test.onPaper ? null : (
          <>
            ; going back is{" "}
            <Toggle
              label="Going back"
              on={test.goBack}
              words={["allowed", "not allowed"]}
              set={(goBack) => set({ goBack })}
            />
            ;{" "}
            <WordEdit label="Time" word={test.minutes === null ? "no time limit" : `${test.minutes} minutes`}>
              <label className="block">
                <span className="mb-1 block">Minutes, longer for those whose supports say so; empty for no limit</span>
                <input
                  type="number"
                  className={`${BOX} w-24`}
                  min={1}
                  max={300}
                  value={test.minutes ?? ""}
                  onChange={(event) => {
                    const typed = event.target.valueAsNumber;
                    set({ minutes: Number.isFinite(typed) && typed > 0 ? Math.round(typed) : null });
                  }}
                />
              </label>
            </WordEdit>
          </>
        )}
        ;{" "}
        <Toggle
          label="Calculator"
          on={test.calculator}
          words={["with a calculator", "no calculator"]}
          set={(calculator) => set({ calculator })}
        />
        {test.onPaper ? null : (
          <>
            ;{" "}
            <Toggle
              label="Order"
              on={test.shuffle}
              words={["each student in another order", "one order for all"]}
              set={(shuffle) => set({ shuffle })}
            />
          </>
        )}
        {made === "quiz" && test.forms.length > 1 ? (
          <>
            ;{" "}
            <Toggle
              label="Forms"
              on={test.neighbours}
              words={["forms by turns, so that neighbours differ", "everybody gets form A"]}
              set={(neighbours) => set({ neighbours })}
            />
          </>
        ) : null}
        .
      </p>
      {state.problem ? (
        <p role="alert" className="border-clay mt-3 border-l-4 pl-3 text-[15px]">
          {state.problem}
        </p>
      ) : null}
      {state.problems.length > 0 ? (
        <ul role="alert" className="border-clay mt-3 border-l-4 pl-3 text-[15px]">
          {state.problems.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      ) : null}
      <div className="mt-4 flex flex-wrap items-baseline gap-x-5 gap-y-1">
        {forms === 2 ? (
          names.map((name, at) => (
            <button
              key={name}
              type="button"
              aria-pressed={place === at}
              className={`text-[15px] font-semibold ${place === at ? "border-ink border-b-2" : "text-mute"}`}
              onClick={() => setShown(at)}
            >
              {name}
            </button>
          ))
        ) : (
          <h2 className="text-[15px] font-semibold">Items</h2>
        )}
        <Predicted form={test.forms[place] ?? []} state={state} />
        <span className="flex-1" />
        <Button look="quiet" className="px-0! text-[14px]!" onClick={again}>
          Propose others
        </Button>
        {made === "quiz" ? (
          <Button look="quiet" className="px-0! text-[14px]!" onClick={() => setTwo(!isTwo)}>
            {isTwo ? "Only one form" : "Make a second, equivalent form"}
          </Button>
        ) : null}
      </div>
      <FormItems view={view} classId={classId} test={test} place={place} set={set} Face={Face} />
      <AddItem
        classId={classId}
        test={test}
        add={(item) =>
          set((before) => ({
            forms: before.forms.map((form, at) =>
              at === place && !form.some((one) => one.item.id === item.id)
                ? [...form, { item, points: item.points, held: true }]
                : form,
            ),
          }))
        }
      />
    </section>
  );
}

/** What each item of a skill weighs, set for all of them at once. */
function PointsOfSkill({
  name,
  points,
  set,
}: {
  readonly name: string;
  /** As they are now. */
  readonly points: readonly number[];
  readonly set: (points: number) => void;
}) {
  const [first] = points;
  if (first === undefined) return null;
  const word = points.every((one) => one === first)
    ? `${first} ${first === 1 ? "point" : "points"} each`
    : "points vary";
  return (
    <WordEdit label={`Points of ${name}`} word={word}>
      <label className="block">
        <span className="mb-1 block">Points of each of its items, 0 to 20</span>
        <input
          type="number"
          className={`${BOX} w-20`}
          min={0}
          max={20}
          defaultValue={first}
          onChange={(event) => {
            const typed = event.target.valueAsNumber;
            if (Number.isInteger(typed) && typed >= 0 && typed <= 20) set(typed);
          }}
        />
      </label>
    </WordEdit>
  );
}

function Toggle({
  label,
  on,
  words: [yes, no],
  set,
}: {
  readonly label: string;
  readonly on: boolean;
  readonly words: readonly [string, string];
  readonly set: (on: boolean) => void;
}) {
  return (
    <button
      type="button"
      className="word-edit"
      aria-label={`${label}: ${on ? yes : no}. Change`}
      onClick={() => set(!on)}
    >
      {on ? yes : no}
    </button>
  );
}
