"use client";
import { parseAsString, parseAsStringLiteral, useQueryState } from "nuqs";
import { type CSSProperties, useMemo } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { LEVELS } from "@/core/model/levels";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { FindField } from "@/ui/primitives/FindField";
import { LEVEL_NAMES } from "@/words/staff/levelNames";
import type { StandingFacts } from "../standingFacts";
import type { MapSince, MapSkill, MapStudent, MasteryMapView } from "../types";
import { CellAnswers } from "./CellAnswers";
import { type GiveMarked, MarkSide } from "./MarkSide";
import { Legend } from "./map/Legend";
import { type CellMore, cellTitle, MapCell } from "./map/MapCell";
import { type MapSort, sortedRows } from "./map/sortedRows";
import { useGridKeys } from "./map/useGridKeys";
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
  since = null,
}: {
  readonly view: MasteryMapView;
  readonly facts: StandingFacts;
  /** Chances on an earlier day, by student and skill, and the day in words. */
  readonly since?: MapSince | null;
  readonly give: GiveMarked;
}) {
  const pull = usePullList();
  const marking = useMarking(view, facts);
  const [skillId, setSkillId] = useQueryState("skill", parseAsString.withDefault(view.currentSkillId));
  const [sort, setSort] = useQueryState("sort", parseAsStringLiteral(["need", "name", "change"]).withDefault("need"));
  const [who, setWho] = useQueryState("who", parseAsStringLiteral(WHO).withDefault("all"));
  const [find, setFind] = useQueryState("find", parseAsString.withDefault(""));
  const [cell, setCell] = useQueryState("cell", parseAsString);
  const column = Math.max(
    0,
    view.skills.findIndex(({ id }) => id === skillId),
  );
  const skill = view.skills[column] as MapSkill;
  const rows = useMemo(
    () =>
      sortedRows(view.students, column, sort, who, find, (student) => {
        const [now, then] = [student.gauges[column]?.chance, since?.chances[student.id]?.[skill.id]];
        return now === undefined || then === undefined ? null : now - then;
      }),
    [view.students, column, sort, who, find, since, skill],
  );
  const moreOf = (student: MapStudent, { id }: MapSkill): CellMore => ({
    snag: facts.students[student.id]?.snags.includes(id) ?? false,
    before: since?.chances[student.id]?.[id] ?? null,
    open: facts.students[student.id]?.open[id] ?? [],
  });
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
      <section aria-labelledby="map-title" className="min-w-0 px-5 pt-1 pb-3">
        <h1 id="map-title" className="font-serif text-[18px] leading-tight font-medium">
          Who has mastered what
        </h1>
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
              onChange={(event) => setSort(event.target.value as MapSort)}
            >
              <option value="need">need for {skill.name}</option>
              <option value="name">name</option>
              {since ? <option value="change">change since {since.words}, the least first</option> : null}
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
                      className={`absolute bottom-1 left-1/2 z-10 origin-bottom-left -rotate-[38deg] text-[13px] leading-none whitespace-nowrap hover:underline ${place === column ? "font-extrabold" : skill.buildsOn.includes(entry.name) ? "font-semibold underline" : "font-normal"}`}
                      title={skill.buildsOn.includes(entry.name) ? `${skill.name} builds on it` : entry.statement}
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
                    const more = moreOf(student, entry);
                    const words = cellTitle(student.name, entry.name, gauge, more, since?.words ?? null);
                    const open = cell === `${student.id}.${entry.id}`;
                    return (
                      <td
                        key={entry.id}
                        className={`h-(--row) w-(--column) min-w-6 p-0 px-[2px] ${place === column ? "bg-silt/60" : skill.buildsOn.includes(entry.name) ? "bg-level-0/40" : ""}`}
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
                          <MapCell gauge={gauge} more={more} isMarked={marking.has(student.id, entry.id)} />
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
        <Legend since={since?.words ?? null} />
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
          <SkillSide
            view={view}
            facts={facts}
            skill={skill}
            column={column}
            pullAll={(students) => pulled(students, skill)}
          />
        )}
      </aside>
    </div>
  );
}
