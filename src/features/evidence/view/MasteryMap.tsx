"use client";
import { useMemo } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { Button } from "@/ui/primitives/Button";
import { Gauge } from "@/ui/primitives/Gauge";
import { type PackedMap, unpackedMap } from "../packedMap";
import type { StandingFacts } from "../standingFacts";
import type { MapSince, MapSkill, MapStudent } from "../types";
import { CellAnswers } from "./CellAnswers";
import { type GiveMarked, MarkSide } from "./MarkSide";
import { GroupSide } from "./map/GroupSide";
import { Legend } from "./map/Legend";
import { type CellMore, cellTitle, groupTitle, MapCell } from "./map/MapCell";
import { MapGrid, type ShownCell } from "./map/MapGrid";
import { MapSentence } from "./map/MapSentence";
import { type MapColumn, mapColumns, splitAt, standingIn } from "./map/mapColumns";
import { sortedRows } from "./map/sortedRows";
import { useMapWords } from "./map/useMapWords";
import { SkillSide } from "./SkillSide";
import { useMarking } from "./useMarking";

interface Props {
  readonly packed: PackedMap;
  readonly facts: StandingFacts;
  /** Chances on an earlier day, by student and skill, and the day in words. */
  readonly since?: MapSince | null;
  readonly give: GiveMarked;
}

/** Students by skills in gauge cells; beside it the skill in view, or the answers behind a cell. */
export function MasteryMap({ packed, facts, give, since = null }: Props) {
  const view = useMemo(() => unpackedMap(packed), [packed]);
  const pull = usePullList();
  const marking = useMarking(view, facts);
  const words = useMapWords(view.currentSkillId);
  const { by, within, order, skillId, sort, who, find, cell, setCell, setSkillId } = words;
  const columns = useMemo(() => mapColumns(view, { by, within, order }), [view, by, within, order]);
  const chosen = Math.max(
    0,
    columns.findIndex(({ id }) => id === skillId),
  );
  const column = columns[chosen] ?? NO_COLUMN;
  const isGroup = view.groupings.some(({ key }) => key === by);
  const skillPlace = isGroup ? -1 : (column.places[0] ?? 0);
  const skill = view.skills[skillPlace];
  const rows = useMemo(() => {
    const changeOf = (student: MapStudent) => {
      const [now, then] = [student.gauges[skillPlace]?.chance, since?.chances[student.id]?.[column.id]];
      return now === undefined || then === undefined ? null : now - then;
    };
    const gaugeOf = (student: MapStudent) => (isGroup ? standingIn(student, column) : student.gauges[skillPlace]);
    return sortedRows(view.students, { gaugeOf, changeOf }, { sort, who, find });
  }, [view.students, column, skillPlace, isGroup, sort, who, find, since]);
  const [cellStudentId = "", cellColumnId = ""] = splitAt(cell ?? "", ".");
  const cellStudent = view.students.find(({ id }) => id === cellStudentId) ?? null;
  const moreOf = (student: MapStudent, { id }: MapSkill): CellMore => ({
    snag: facts.students[student.id]?.snags.includes(id) ?? false,
    before: since?.chances[student.id]?.[id] ?? null,
    open: facts.students[student.id]?.open[id] ?? [],
  });
  const cellOf = (student: MapStudent, at: MapColumn): ShownCell => {
    const isOpen = cell === `${student.id}.${at.id}`;
    if (isGroup) {
      const standing = standingIn(student, at);
      return {
        words: groupTitle(student.name, at.name, standing),
        picture: <Gauge {...standing} className="h-[calc(var(--row)-4px)] w-full" />,
        isOutlined: isOpen,
      };
    }
    const [gauge, own] = [student.gauges[at.places[0] ?? 0], view.skills[at.places[0] ?? 0]];
    if (!gauge || !own) return { words: "", picture: null, isOutlined: false };
    const more = moreOf(student, own);
    const isMarked = marking.has(student.id, at.id);
    return {
      words: cellTitle(student.name, at.name, gauge, more, since?.words ?? null),
      picture: <MapCell gauge={gauge} more={more} isMarked={isMarked} />,
      isOutlined: isOpen || isMarked,
      pressed: marking.isOn ? isMarked : undefined,
    };
  };
  const chooseColumn = (at: MapColumn) => {
    void setSkillId(at.id);
    void setCell(null);
    const own = isGroup ? undefined : view.skills[at.places[0] ?? 0];
    if (marking.isOn && own) marking.mean(marking.whom, own);
  };
  const pullAll = (students: readonly MapStudent[]) =>
    pull.add(students.map(({ id, name }) => ({ id, name, skillId: skill?.id ?? null })));
  const openSkills = (wanted: string | null) => {
    void words.setWithin(`${by}:${column.id}`);
    void words.setBy(null);
    void setCell(null);
    void setSkillId(wanted ?? view.skills[column.places[0] ?? 0]?.id ?? null);
  };
  const side = () => {
    if (marking.isOn && skill)
      return <MarkSide view={view} facts={facts} skill={skill} marking={marking} give={give} />;
    if (cellStudent && view.skills.some(({ id }) => id === cellColumnId))
      return <CellAnswers studentId={cellStudent.id} skillId={cellColumnId} close={() => setCell(null)} />;
    if (isGroup) {
      const shown = columns.find(({ id }) => id === cellColumnId) ?? column;
      const openCell = (student: MapStudent, id: string) => void setCell(`${student.id}.${id}`);
      return <GroupSide view={view} column={shown} student={cellStudent} {...{ openSkills, openCell, pullAll }} />;
    }
    return skill ? <SkillSide view={view} facts={facts} skill={skill} column={skillPlace} pullAll={pullAll} /> : null;
  };
  return (
    <div className="grid gap-0 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section aria-labelledby="map-title" className="min-w-0 px-5 pt-1 pb-3">
        <h1 id="map-title" className="font-serif text-[18px] leading-tight font-medium">
          Who has mastered what
        </h1>
        <div className="text-mute text-[14px]">
          <MapSentence view={view} words={words} columnName={column.name} since={since?.words ?? null} />
          <span aria-live="polite">
            {rows.length} of {view.students.length} students
          </span>{" "}
          {marking.isOn || !skill || view.students.length === 0 ? null : (
            <Button
              look="quiet"
              className="min-h-0! px-0! py-0! text-[14px]!"
              onClick={() => {
                void setCell(null);
                marking.start(skill);
              }}
            >
              Assign from here
            </Button>
          )}
        </div>
        <MapGrid
          rows={rows}
          columns={columns}
          chosen={chosen}
          isUnder={({ name }) => skill?.buildsOn.includes(name) ?? false}
          cellOf={cellOf}
          choose={chooseColumn}
          open={(student, at) =>
            marking.isOn && !isGroup ? marking.toggle(student.id, at.id) : void setCell(`${student.id}.${at.id}`)
          }
          pull={pull}
          pullFor={skill?.id ?? null}
          besideName={(student) => (
            <>
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
            </>
          )}
        />
        <Legend since={since?.words ?? null} />
        {rows.length === 0 ? (
          <p className="text-mute py-8">
            {view.students.length === 0
              ? "No students yet. Import a roster file under Roster."
              : "Nobody fits these words. Show everyone, or find another name."}
          </p>
        ) : null}
      </section>
      <aside className="border-hair border-l px-5 pt-2 pb-3">{side()}</aside>
    </div>
  );
}

const NO_COLUMN: MapColumn = { id: "", name: "", title: "", places: [] };
