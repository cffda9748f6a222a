"use client";
import { parseAsString, parseAsStringLiteral, useQueryState } from "nuqs";
import { type CSSProperties, type KeyboardEvent, useMemo, useRef, useState } from "react";
import { type PullList, usePullList } from "@/client/pull-list/pullList";
import { LEVELS } from "@/core/model/levels";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { FindField } from "@/ui/primitives/FindField";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import { LEVEL_NAMES } from "@/words/staff/levelNames";
import type { StandingFacts } from "../standingFacts";
import type { MapSkill, MapStudent, MasteryMapView } from "../types";
import { CellAnswers } from "./CellAnswers";
import { type GiveMarked, MarkSide } from "./MarkSide";
import { SkillSide } from "./SkillSide";
import { useMarking } from "./useMarking";

const WHO = ["all", ...LEVELS, "too-little"] as const;
const WHO_NAMES: Readonly<Record<(typeof WHO)[number], string>> = {
  all: "everyone",
  ...LEVEL_NAMES,
  "too-little": "too little evidence",
};

/** Students by skills in gauge cells; beside it the skill in view, or the answers behind a cell. */
export function MasteryMap({
  view,
  facts,
  give,
}: {
  readonly view: MasteryMapView;
  readonly facts: StandingFacts;
  readonly give: GiveMarked;
}) {
  const pull = usePullList();
  const marking = useMarking(view, facts);
  const [skillId, setSkillId] = useQueryState("skill", parseAsString.withDefault(view.currentSkillId));
  const [sort, setSort] = useQueryState("sort", parseAsStringLiteral(["need", "name"]).withDefault("need"));
  const [who, setWho] = useQueryState("who", parseAsStringLiteral(WHO).withDefault("all"));
  const [find, setFind] = useQueryState("find", parseAsString.withDefault(""));
  const [cell, setCell] = useQueryState("cell", parseAsString);
  const column = Math.max(
    0,
    view.skills.findIndex(({ id }) => id === skillId),
  );
  const skill = view.skills[column] as MapSkill;
  const rows = useMemo(
    () => sortedRows(view.students, column, sort, who, find),
    [view.students, column, sort, who, find],
  );
  const choose = (student: MapStudent, at: MapSkill) =>
    marking.isOn ? marking.toggle(student.id, at.id) : void setCell(`${student.id}.${at.id}`);
  const grid = useGridKeys(rows, view.skills, pull, choose);
  const [cellStudent, cellSkill] = cell?.split(".") ?? [];
  const pulled = (students: readonly MapStudent[], at: MapSkill) =>
    pull.add(students.map(({ id, name }) => ({ id, name, skillId: at.id })));
  // A large class or a long strand still fits one screen: 30 rows and 20 columns at 1280 by 800.
  const tight = {
    "--row": view.students.length > 26 ? "16px" : view.students.length > 20 ? "18px" : "19px",
    "--column": `${Math.max(29, Math.min(48, Math.floor(640 / view.skills.length)))}px`,
  } as CSSProperties;
  return (
    <div className="grid gap-0 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section aria-labelledby="map-title" className="min-w-0 px-5 pt-2 pb-3">
        <div className="flex flex-wrap items-baseline justify-between gap-x-5">
          <h1 id="map-title" className="font-serif text-[20px] font-medium">
            Who has mastered what
          </h1>
          <Legend />
        </div>
        <p className="text-mute text-[14px]">
          {view.strand}.{" "}
          <label>
            Showing{" "}
            <select
              className="word-edit bg-transparent"
              value={who}
              onChange={(event) => setWho(event.target.value as (typeof WHO)[number])}
            >
              {WHO.map((value) => (
                <option key={value} value={value}>
                  {WHO_NAMES[value]}
                </option>
              ))}
            </select>
          </label>{" "}
          <label>
            sorted by{" "}
            <select
              className="word-edit bg-transparent"
              value={sort}
              onChange={(event) => setSort(event.target.value as "need" | "name")}
            >
              <option value="need">need for {skill.name}</option>
              <option value="name">name</option>
            </select>
          </label>{" "}
          <FindField
            label="Find a name"
            placeholder="Find a name"
            className="ml-2 w-32 py-0!"
            value={find}
            set={setFind}
          />{" "}
          <span aria-live="polite">
            {rows.length} of {view.students.length} students
          </span>{" "}
          {marking.isOn || view.students.length === 0 ? null : (
            <Button
              look="quiet"
              className="min-h-0! px-0! py-0! text-[14px]!"
              onClick={() => {
                setCell(null);
                marking.start(skill);
              }}
            >
              Assign from here
            </Button>
          )}
        </p>
        <div className="overflow-x-auto">
          <table
            ref={grid.table}
            className="border-collapse"
            style={tight}
            aria-label="Mastery map"
            onKeyDown={grid.onKeyDown}
          >
            <thead>
              <tr>
                <td className="w-36" />
                {view.skills.map((entry, place) => (
                  <th key={entry.id} scope="col" className={`relative h-[102px] p-0 align-bottom`}>
                    <button
                      type="button"
                      aria-pressed={place === column}
                      onClick={() => {
                        setSkillId(entry.id);
                        setCell(null);
                        if (marking.isOn) marking.mean(marking.whom, entry);
                      }}
                      className={`absolute bottom-1 left-1/2 z-10 origin-bottom-left -rotate-[38deg] text-[13px] leading-none whitespace-nowrap hover:underline ${place === column ? "font-extrabold" : "font-normal"}`}
                    >
                      {entry.name}
                    </button>
                  </th>
                ))}
                <td className="min-w-[128px]" />
              </tr>
            </thead>
            <tbody>
              {rows.map((student, row) => (
                <tr key={student.id} className="group">
                  <th scope="row" className="p-0 pr-2 text-left font-normal">
                    <span className="flex h-(--row) items-center gap-1.5 text-[14px] leading-none whitespace-nowrap">
                      <input
                        type="checkbox"
                        className="accent-clay size-3.5"
                        checked={pull.has(student.id)}
                        onChange={() => pull.toggle({ id: student.id, name: student.name, skillId: skill.id })}
                        aria-label={`${student.name} on the pull list`}
                      />
                      <SheetLink id={student.id} className={`truncate ${pull.has(student.id) ? "font-bold" : ""}`}>
                        {student.name}
                      </SheetLink>
                      {marking.isOn ? (
                        <button
                          type="button"
                          className="ml-auto px-1 leading-none"
                          aria-label={`Mark all that ${student.name} needs`}
                          title="Mark all that is needed"
                          onClick={() => marking.allFor(student)}
                        >
                          →
                        </button>
                      ) : null}
                      {view.manyClasses ? (
                        <span className="text-mute text-[12px]">{student.className.replace(/^\d+ /, "")}</span>
                      ) : null}
                    </span>
                  </th>
                  {view.skills.map((entry, place) => {
                    const gauge = student.gauges[place];
                    if (!gauge) return <td key={entry.id} />;
                    const words = `${student.name}, ${entry.name}: ${gaugeWords(gauge)}`;
                    const open = cell === `${student.id}.${entry.id}`;
                    return (
                      <td
                        key={entry.id}
                        className={`h-(--row) w-(--column) min-w-6 p-0 px-[2px] ${place === column ? "bg-silt/60" : ""}`}
                      >
                        <button
                          type="button"
                          data-cell={`${row}.${place}`}
                          tabIndex={row === grid.at[0] && place === grid.at[1] ? 0 : -1}
                          title={words}
                          aria-label={words}
                          onFocus={() => grid.setAt([row, place])}
                          aria-pressed={marking.isOn ? marking.has(student.id, entry.id) : undefined}
                          onClick={() => choose(student, entry)}
                          className={`relative block w-full ${open || marking.has(student.id, entry.id) ? "outline-ink outline-2" : "hover:outline-mute hover:outline-2"}`}
                        >
                          {marking.has(student.id, entry.id) ? <MarkDot /> : null}
                          <Gauge {...gauge} className="h-[calc(var(--row)-4px)] w-full" />
                        </button>
                      </td>
                    );
                  })}
                  <td />
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {rows.length === 0 ? (
          <p className="text-mute py-8">
            {view.students.length === 0
              ? "No students yet. Import a roster file under Roster."
              : "Nobody fits these words. Show everyone, or find another name."}
          </p>
        ) : null}
      </section>
      <aside className="border-hair border-l px-5 pt-2 pb-3">
        {marking.isOn ? (
          <MarkSide view={view} facts={facts} skill={skill} marking={marking} give={give} />
        ) : cellStudent && cellSkill ? (
          <CellAnswers studentId={cellStudent} skillId={cellSkill} close={() => setCell(null)} />
        ) : (
          <SkillSide view={view} skill={skill} column={column} pullAll={(students) => pulled(students, skill)} />
        )}
      </aside>
    </div>
  );
}

/** On a cell that is marked: seen without colour, on any level. */
const MarkDot = () => (
  <i
    aria-hidden
    className="bg-paper border-ink absolute top-1/2 z-10 left-1/2 size-2 -translate-x-1/2 -translate-y-1/2 rounded-full border-[1.5px]"
  />
);

function Legend() {
  const kinds = [
    { text: "chance of mastery", gauge: { chance: 0.85, tooLittle: false, level: "secure" as const } },
    { text: "too little evidence", gauge: { chance: 0, tooLittle: true, level: "beginning" as const } },
    { text: "old", gauge: { chance: 0.6, tooLittle: false, old: true, level: "developing" as const } },
    { text: "mastered", gauge: { chance: 0.97, tooLittle: false, mark: "now" as const, level: "secure" as const } },
    {
      text: "mastered once, not now",
      gauge: { chance: 0.55, tooLittle: false, mark: "lost" as const, level: "developing" as const },
    },
  ];
  return (
    <ul className="text-mute flex gap-3.5 text-[13px]">
      {kinds.map(({ text, gauge }) => (
        <li key={text} className="flex items-center gap-1.5">
          <Gauge {...gauge} className="h-3.5 w-5" /> {text}
        </li>
      ))}
    </ul>
  );
}

function sortedRows(
  students: readonly MapStudent[],
  column: number,
  sort: "need" | "name",
  who: (typeof WHO)[number],
  find: string,
): MapStudent[] {
  const wanted = find.trim().toLocaleLowerCase();
  const chance = (student: MapStudent) => {
    const gauge = student.gauges[column];
    // Without evidence nobody is needier than those who showed a gap.
    return !gauge || gauge.tooLittle ? 2 : gauge.chance;
  };
  return students
    .filter((student) => {
      const gauge = student.gauges[column];
      const fits =
        who === "all" || (who === "too-little" ? gauge?.tooLittle : !gauge?.tooLittle && gauge?.level === who);
      return fits && student.name.toLocaleLowerCase().includes(wanted);
    })
    .sort((x, y) => (sort === "need" ? chance(x) - chance(y) : 0) || x.name.localeCompare(y.name));
}

/** Arrow keys move through the cells, Enter opens, "p" pulls, "s" shows the sheet; one cell is in the tab order. */
function useGridKeys(
  rows: readonly MapStudent[],
  skills: readonly MapSkill[],
  pull: PullList,
  open: (student: MapStudent, skill: MapSkill) => void,
) {
  const table = useRef<HTMLTableElement>(null);
  const [at, setAt] = useState<readonly [number, number]>([0, 0]);
  const [, setSheet] = useQueryState("sheet", parseAsString.withOptions({ history: "push" }));
  const onKeyDown = (event: KeyboardEvent) => {
    const place = (event.target as HTMLElement).dataset.cell?.split(".").map(Number);
    if (!place) return;
    const [row = 0, column = 0] = place;
    const [student, skill] = [rows[row], skills[column]];
    const steps: Record<string, readonly [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
      j: [1, 0],
      k: [-1, 0],
    };
    const step = steps[event.key];
    if (step) {
      const next = [
        Math.min(rows.length - 1, Math.max(0, row + step[0])),
        Math.min(skills.length - 1, Math.max(0, column + step[1])),
      ] as const;
      event.preventDefault();
      setAt(next);
      table.current?.querySelector<HTMLElement>(`[data-cell="${next[0]}.${next[1]}"]`)?.focus();
    } else if (student && skill && event.key === "p") {
      pull.toggle({ id: student.id, name: student.name, skillId: skill.id });
    } else if (student && event.key === "s") {
      setSheet(student.id);
    } else if (student && skill && event.key === "Enter") {
      event.preventDefault();
      open(student, skill);
    }
  };
  const within = [Math.min(at[0], Math.max(0, rows.length - 1)), at[1]] as const;
  return { table, at: within, setAt, onKeyDown };
}
