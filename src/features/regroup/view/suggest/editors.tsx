"use client";
import { useState } from "react";
import type { Fixed } from "@/core/grouping/groupProblem";
import { LESSONS_A_DAY } from "@/core/grouping/slotClashes";
import type { GroupTime } from "@/core/model/reteach";
import { Button } from "@/ui/primitives/Button";
import { slotWords, WEEKDAYS } from "@/words/staff/slotWords";

interface Named {
  readonly id: string;
  readonly name: string;
}
const BOX = "bg-field border-ink border-[1.5px] px-2 py-1";
const LINE = "flex items-center justify-between gap-4";

export function NumberChoice(props: {
  readonly label: string;
  readonly low: number;
  readonly high: number;
  readonly value: number;
  readonly set: (value: number) => void;
}) {
  return (
    <label className={LINE}>
      {props.label}
      <select className={`${BOX} w-16`} value={props.value} onChange={(event) => props.set(Number(event.target.value))}>
        {Array.from({ length: props.high - props.low + 1 }, (_, n) => props.low + n).map((value) => (
          <option key={value}>{value}</option>
        ))}
      </select>
    </label>
  );
}

function Chooser(props: {
  readonly label: string;
  readonly of: readonly Named[];
  readonly value: string;
  readonly set: (id: string) => void;
}) {
  return (
    <select
      aria-label={props.label}
      className={`${BOX} max-w-[14rem]`}
      value={props.value}
      onChange={(event) => props.set(event.target.value)}
    >
      <option value="">choose</option>
      {props.of.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  );
}

/** When a class has time for small groups. */
export function TimesEditor({
  times,
  set,
}: {
  readonly times: readonly GroupTime[];
  readonly set: (times: readonly GroupTime[]) => void;
}) {
  const [day, setDay] = useState("1");
  const [lesson, setLesson] = useState("1");
  const [minutes, setMinutes] = useState(15);
  const slot = `${day}-${lesson}`;
  return (
    <div className="space-y-2">
      {times.map((time) => (
        <p key={time.slot} className={LINE}>
          {slotWords(time.slot)}, {time.minutes} min
          <Button
            look="quiet"
            disabled={times.length === 1}
            aria-label={`Remove ${slotWords(time.slot)}`}
            onClick={() => set(times.filter((one) => one !== time))}
          >
            Remove
          </Button>
        </p>
      ))}
      <p className="flex flex-wrap items-center gap-2">
        <select aria-label="Weekday" className={BOX} value={day} onChange={(event) => setDay(event.target.value)}>
          {WEEKDAYS.map((name, place) => (
            <option key={name} value={place + 1}>
              {name}
            </option>
          ))}
        </select>
        <select aria-label="Lesson" className={BOX} value={lesson} onChange={(event) => setLesson(event.target.value)}>
          {Array.from({ length: LESSONS_A_DAY }, (_, place) => place + 1).map((one) => (
            <option key={one} value={one}>
              lesson {one}
            </option>
          ))}
        </select>
        <select
          aria-label="Minutes"
          className={BOX}
          value={minutes}
          onChange={(event) => setMinutes(Number(event.target.value))}
        >
          {[10, 15, 20, 25, 30, 45].map((long) => (
            <option key={long} value={long}>
              {long} min
            </option>
          ))}
        </select>
        <Button
          disabled={times.some((time) => time.slot === slot)}
          onClick={() => set([...times, { slot, minutes }].sort((x, y) => x.slot.localeCompare(y.slot)))}
        >
          Add this time
        </Button>
      </p>
    </div>
  );
}

/** Pairs of students who are kept apart, or together. */
export function PairsEditor(props: {
  readonly pairs: readonly (readonly [string, string])[];
  readonly students: readonly Named[];
  readonly done: string;
  readonly set: (pairs: readonly (readonly [string, string])[]) => void;
}) {
  const { pairs, students, set } = props;
  const [one, setOne] = useState("");
  const [other, setOther] = useState("");
  const nameOf = (id: string) => students.find((student) => student.id === id)?.name ?? "somebody who left";
  return (
    <div className="space-y-2">
      {pairs.map((pair) => (
        <p key={pair.join()} className={LINE}>
          {nameOf(pair[0])} and {nameOf(pair[1])}
          <Button look="quiet" onClick={() => set(pairs.filter((entry) => entry !== pair))}>
            Remove
          </Button>
        </p>
      ))}
      <p className="flex items-center gap-2">
        <Chooser label="First student" of={students} value={one} set={setOne} /> and{" "}
        <Chooser label="Second student" of={students} value={other} set={setOther} />
      </p>
      <Button
        disabled={one === "" || other === "" || one === other}
        onClick={() => {
          set([...pairs, [one, other]]);
          setOne("");
          setOther("");
        }}
      >
        {props.done}
      </Button>
    </div>
  );
}

/** Who is away this time. */
export function PeopleEditor(props: {
  readonly chosen: readonly string[];
  readonly students: readonly Named[];
  readonly set: (ids: readonly string[]) => void;
}) {
  const { chosen, students, set } = props;
  return (
    <fieldset className="max-h-72 space-y-1 overflow-y-auto">
      <legend className="mb-1">Who is away this time?</legend>
      {students.map(({ id, name }) => (
        <label key={id} className="flex gap-2">
          <input
            type="checkbox"
            className="accent-clay"
            checked={chosen.includes(id)}
            onChange={(event) => set(event.target.checked ? [...chosen, id] : chosen.filter((one) => one !== id))}
          />
          {name}
        </label>
      ))}
    </fieldset>
  );
}

/** Who is to be in the group of a skill whatever they need. */
export function FixedEditor(props: {
  readonly fixed: readonly Fixed[];
  readonly students: readonly Named[];
  readonly skills: readonly Named[];
  readonly set: (fixed: readonly Fixed[]) => void;
}) {
  const { fixed, students, skills, set } = props;
  const [studentId, setStudent] = useState("");
  const [skillId, setSkill] = useState("");
  const nameIn = (of: readonly Named[], id: string) => of.find((one) => one.id === id)?.name ?? "unknown";
  return (
    <div className="space-y-2">
      {fixed.map((one) => (
        <p key={`${one.studentId} ${one.skillId}`} className={LINE}>
          {nameIn(students, one.studentId)} in {nameIn(skills, one.skillId)}
          <Button look="quiet" onClick={() => set(fixed.filter((entry) => entry !== one))}>
            Remove
          </Button>
        </p>
      ))}
      <p className="flex items-center gap-2">
        <Chooser label="Student" of={students} value={studentId} set={setStudent} /> in{" "}
        <Chooser label="Skill" of={skills} value={skillId} set={setSkill} />
      </p>
      <Button
        disabled={studentId === "" || skillId === ""}
        onClick={() => {
          set([...fixed.filter((one) => one.studentId !== studentId), { studentId, skillId }]);
          setStudent("");
          setSkill("");
        }}
      >
        Fix them there
      </Button>
    </div>
  );
}
