"use client";
import { useCallback, useEffect } from "react";
import { leftOutOfTests } from "@/core/roster/leftOutOfTests";
import { dayWords } from "@/words/staff/dayWords";
import type { ComposeStudent, ComposeView } from "../../types";
import type { Change } from "./composition";
import { type Composition, isTest } from "./composition";
import { BOX, LABEL } from "./look";

/** The classes and groups that work is given to, and who of them. */
export function Whom({
  view,
  composition,
  change,
  fromPullList,
}: {
  readonly view: ComposeView;
  readonly composition: Composition;
  readonly change: Change;
  readonly fromPullList: boolean;
}) {
  const { to, without, made } = composition;
  const isForTest = isTest(made);
  const skillIds = isForTest ? composition.test.skills.map(({ skillId }) => skillId) : [];
  const subjects = [
    ...new Set(view.skills.flatMap(({ id, subjectId }) => (skillIds.includes(id) ? [subjectId] : []))),
  ].join();
  const { opensDay } = composition;
  const isOutOf = useCallback(
    ({ leftOut }: ComposeStudent) =>
      isForTest && leftOut !== null && leftOutOfTests(leftOut, subjects === "" ? [] : subjects.split(","), opensDay),
    [isForTest, subjects, opensDay],
  );
  // Whoever is left out of tests begins unticked; ticked by hand they stay so.
  useEffect(() => {
    const leftOut = [...view.classes, ...view.groups].flatMap(({ students }) =>
      students.flatMap((student) => (student.leftOut === null ? [] : [{ id: student.id, isOut: isOutOf(student) }])),
    );
    if (leftOut.length > 0)
      change((before) => ({
        ...before,
        without: [
          ...new Set([
            ...before.without.filter((id) => !leftOut.some((one) => one.id === id)),
            ...leftOut.flatMap(({ id, isOut }) => (isOut ? [id] : [])),
          ]),
        ],
      }));
  }, [isOutOf, view, change]);
  const chosen = to.flatMap((id): { id: string; name: string; students: readonly ComposeStudent[] }[] => {
    const group = view.groups.find((one) => `group:${one.id}` === id);
    const ofClass = view.classes.find((one) => one.id === id);
    return group ? [{ ...group, id }] : ofClass ? [ofClass] : [];
  });
  const others = [
    ...view.classes.filter(({ id }) => !to.includes(id)).map(({ id, name }) => ({ id, name })),
    ...view.groups
      .map(({ id, name }) => ({ id: `group:${id}`, name: `${name} (group)` }))
      .filter(({ id }) => !to.includes(id)),
  ];
  const toggle = (id: string) =>
    change((before) => ({
      ...before,
      without: before.without.includes(id) ? before.without.filter((one) => one !== id) : [...before.without, id],
    }));
  const setTo = (place: number, id: string) =>
    change((before) => ({ ...before, to: before.to.map((one, at) => (at === place ? id : one)) }));
  return (
    <fieldset>
      <legend className={LABEL}>To</legend>
      {chosen.map(({ id, students }, place) => (
        <div key={id} className="mb-3">
          <div className="mb-1.5 flex items-center gap-2 text-[15px]">
            <select
              aria-label={place === 0 ? "Class or group" : `Class or group ${place + 1}`}
              className={`${BOX} min-w-0 flex-1`}
              value={id}
              onChange={(event) => setTo(place, event.target.value)}
            >
              {[{ id, name: nameOf(view, id) }, ...others].map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </select>
            {to.length > 1 ? (
              <button
                type="button"
                aria-label={`Not to ${nameOf(view, id)}`}
                className="px-1.5 text-[17px]"
                onClick={() => change((before) => ({ ...before, to: before.to.filter((one) => one !== id) }))}
              >
                ×
              </button>
            ) : null}
          </div>
          {chosen.length > 1 ? (
            <label className="mb-1 flex items-center gap-2 text-[14px]">
              due
              <input
                type="date"
                className={`${BOX} px-1! py-0.5!`}
                min={composition.opensDay}
                aria-label={`Due day of ${nameOf(view, id)}`}
                value={composition.dueOf[id] ?? composition.dueDay}
                onChange={(event) => {
                  const day = event.target.value;
                  change((before) => ({ ...before, dueOf: { ...before.dueOf, [id]: day } }));
                }}
              />
            </label>
          ) : null}
          <p className="text-mute mb-1 text-[14px]">
            {students.filter((one) => !without.includes(one.id)).length} of {students.length} students
            {fromPullList ? ", from the pull list" : ""}
          </p>
          <ul className="text-[15px]">
            {students.map((student) => (
              <Student
                key={student.id}
                student={student}
                isIn={!without.includes(student.id)}
                isOut={isOutOf(student)}
                isShared={made === "practice" || made === "amount"}
                isTimed={isForTest && composition.test.minutes !== null}
                toggle={() => toggle(student.id)}
              />
            ))}
          </ul>
        </div>
      ))}
      {others.length > 0 ? (
        <label className="block text-[15px]">
          <span className="sr-only">Also to</span>
          <select
            className={`${BOX} w-full`}
            value=""
            onChange={(event) => change((before) => ({ ...before, to: [...before.to, event.target.value] }))}
          >
            <option value="">Also to another class or group…</option>
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      ) : null}
    </fieldset>
  );
}

function Student({
  student: { name, leftOut, timeFactor, itemShare },
  isIn,
  isOut,
  isShared,
  isTimed,
  toggle,
}: {
  readonly student: ComposeStudent;
  readonly isIn: boolean;
  /** Left out of this test. */
  readonly isOut: boolean;
  /** Items are drawn, so that supports may have fewer of them. */
  readonly isShared: boolean;
  readonly isTimed: boolean;
  readonly toggle: () => void;
}) {
  const note = [
    ...(isOut && leftOut !== null
      ? [`left out of tests${leftOut.until === null ? "" : ` until ${dayWords(leftOut.until)}`}: ${leftOut.reason}`]
      : []),
    ...(isShared && itemShare < 1 ? [`${itemShare === 0.5 ? "half" : "three quarters"} of the items`] : []),
    ...(isTimed && timeFactor > 1 ? [`${timeFactor} times the time`] : []),
  ].join("; ");
  return (
    <li>
      <label className={`flex items-baseline gap-2 py-0.5 ${isIn ? "" : "text-mute"}`}>
        <input
          type="checkbox"
          name="studentIds"
          className="accent-ink size-4 translate-y-0.5"
          checked={isIn}
          onChange={toggle}
        />
        <span>
          <span data-name>{name}</span>
          {note === "" ? null : <span className="text-mute block text-[14px]">{note}</span>}
        </span>
      </label>
    </li>
  );
}

const nameOf = (view: ComposeView, id: string): string =>
  view.classes.find((one) => one.id === id)?.name ?? view.groups.find((one) => `group:${one.id}` === id)?.name ?? "";
