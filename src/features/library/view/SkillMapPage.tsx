"use client";
import Link from "next/link";
import { type KeyboardEvent, useRef, useState } from "react";
import { LEVELS } from "@/core/model/levels";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { gradeSpan } from "@/words/staff/gradeWords";
import { LEVEL_NAMES } from "@/words/staff/levelNames";
import type { MapSkill, SkillMapView } from "../types";
import { LibraryWays } from "./LibraryWays";

const HEAD = 34;

/** Skills through the grades, each with what it builds on and where the class stands in it. */
export function SkillMapPage({
  view,
  classNames,
  base,
}: {
  readonly view: SkillMapView;
  readonly classNames: readonly string[];
  readonly base: string;
}) {
  const [at, setAt] = useState<string | null>(view.around?.id ?? null);
  const box = useRef<HTMLDivElement>(null);
  const byId = new Map(view.skills.map((skill) => [skill.id, skill]));
  const near = at === null ? null : new Set([at, ...(byId.get(at)?.buildsOn ?? []), ...(byId.get(at)?.leadsTo ?? [])]);
  const move = (event: KeyboardEvent, skill: MapSkill) => {
    const beside = view.skills.filter((other) => other.x === skill.x).sort((one, other) => one.y - other.y);
    const place = beside.indexOf(skill);
    const to = {
      ArrowLeft: skill.buildsOn[0],
      ArrowRight: skill.leadsTo[0],
      ArrowUp: beside[place - 1]?.id,
      ArrowDown: beside[place + 1]?.id,
    }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    box.current?.querySelector<HTMLElement>(`[data-skill="${CSS.escape(to)}"]`)?.focus();
  };
  const who = view.students === 0 ? "" : ` Water marks: ${view.students} students of ${classNames.join(", ")}.`;
  return (
    <div className="px-5 py-4">
      <PageHead
        title={view.around ? `What “${view.around.name}” stands on` : "Library"}
        sub={`Left to right through the grades, a line leads from what is needed to what it opens.${who}`}
      >
        <PrintButton />
      </PageHead>
      <LibraryWays base={base} at="map" />
      <p className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-1 text-[15px]">
        {view.grade === null ? null : <span>Grade {view.grade}, with what stands under it and what it leads to.</span>}
        {view.around || view.grade !== null ? (
          <Link className="underline underline-offset-3" href={`${base}/library/map?all=1`}>
            Show all grades
          </Link>
        ) : null}
        {view.students > 0 ? <Legend /> : <span className="text-mute">Choose a class to see where it stands.</span>}
      </p>
      <div ref={box} className="overflow-x-auto pb-4">
        <div className="relative" style={{ width: view.width, height: view.height + HEAD }}>
          {view.grades.map(({ grade, x, width }) => (
            <h2
              key={grade}
              className="border-hair text-mute absolute top-0 border-b text-[14px]"
              style={{ left: x, width }}
            >
              {gradeSpan(grade, grade)}
            </h2>
          ))}
          <svg
            aria-hidden
            className="absolute left-0"
            style={{ top: HEAD }}
            width={view.width}
            height={view.height}
            fill="none"
          >
            {view.lines.map(({ from, to, points }) => (
              <path
                key={`${from} ${to}`}
                d={curve(points)}
                stroke={at !== null && (from === at || to === at) ? "#14232b" : "#d8cdb4"}
                strokeWidth={at !== null && (from === at || to === at) ? 2.5 : 2}
              />
            ))}
          </svg>
          <ul>
            {view.skills.map((skill) => (
              <li
                key={skill.id}
                className="absolute"
                style={{ left: skill.x, top: skill.y + HEAD, width: view.node.width, height: view.node.height }}
              >
                <Link
                  href={`${base}/library/${skill.id}`}
                  data-skill={skill.id}
                  aria-label={labelOf(skill, view, byId)}
                  className={`bg-paper border-ink flex h-full flex-col justify-between overflow-hidden border-[1.5px] ${near !== null && !near.has(skill.id) ? "opacity-60" : ""} ${skill.id === view.around?.id ? "bg-bank font-semibold" : ""}`}
                  onFocus={() => setAt(skill.id)}
                  onBlur={() => setAt(view.around?.id ?? null)}
                  onMouseEnter={() => setAt(skill.id)}
                  onMouseLeave={() => setAt(view.around?.id ?? null)}
                  onKeyDown={(event) => move(event, skill)}
                >
                  <span className="line-clamp-2 px-2 pt-1 text-[14px] leading-tight">{skill.name}</span>
                  {view.students > 0 ? (
                    <WaterMark skill={skill} students={view.students} />
                  ) : (
                    <span className="text-mute px-2 pb-1 text-[13px]">{skill.code}</span>
                  )}
                </Link>
              </li>
            ))}
          </ul>
        </div>
      </div>
    </div>
  );
}

/** A class in a skill: as wide as its students, those of whom too little is known hatched. */
function WaterMark({ skill, students }: { readonly skill: MapSkill; readonly students: number }) {
  const secure = (skill.levels[2] ?? 0) + (skill.levels[3] ?? 0);
  return (
    <span className="block">
      <span className="text-mute block px-2 text-[13px] leading-tight tabular-nums">
        {skill.met === 0 ? "not met yet" : `${secure} of ${students} secure`}
      </span>
      <span className="border-hair mt-0.5 flex h-2 border-t">
        {skill.levels.map((count, place) => (
          <i
            key={LEVELS[place]}
            style={{ width: `${(100 * count) / students}%`, background: `var(--level-${place})` }}
          />
        ))}
        <i className="gauge-few flex-1" />
      </span>
    </span>
  );
}

function Legend() {
  return (
    <span className="text-mute flex flex-wrap items-center gap-x-4 text-[14px]">
      {LEVELS.map((level, place) => (
        <span key={level} className="flex items-center gap-1.5">
          <i className="block h-2 w-5" style={{ background: `var(--level-${place})` }} />
          {LEVEL_NAMES[level]}
        </span>
      ))}
      <span className="flex items-center gap-1.5">
        <i className="gauge-few block h-2 w-5" />
        too little known
      </span>
    </span>
  );
}

/** What the place of a skill on the map says, in words. */
function labelOf(skill: MapSkill, { students }: SkillMapView, byId: ReadonlyMap<string, MapSkill>): string {
  const names = (ids: readonly string[]) => ids.map((id) => byId.get(id)?.name ?? "").join(", ");
  const secure = (skill.levels[2] ?? 0) + (skill.levels[3] ?? 0);
  return [
    skill.name,
    gradeSpan(skill.grade, skill.grade),
    ...(students === 0 ? [] : [skill.met === 0 ? "not met yet" : `${secure} of ${students} students secure`]),
    skill.buildsOn.length > 0 ? `builds on ${names(skill.buildsOn)}` : "builds on nothing else here",
    ...(skill.leadsTo.length > 0 ? [`leads to ${names(skill.leadsTo)}`] : []),
  ].join("; ");
}

/** A smooth line through points: straight on at each end, as a river leaves and comes in. */
function curve(points: SkillMapView["lines"][number]["points"]): string {
  const [first, ...rest] = points;
  if (!first) return "";
  let from = first;
  const parts = rest.map((to) => {
    const middle = (from.x + to.x) / 2;
    const part = `C ${middle} ${from.y}, ${middle} ${to.y}, ${to.x} ${to.y}`;
    from = to;
    return part;
  });
  return `M ${first.x} ${first.y} ${parts.join(" ")}`;
}
