"use client";
import Link from "next/link";
import { useParams } from "next/navigation";
import { LEVELS } from "@/core/model/levels";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { LEVEL_NAMES } from "@/words/staff/levelNames";
import type { StandingFacts } from "../standingFacts";
import type { MapSkill, MapStudent, MasteryMapView, ShownMisconception } from "../types";
import { talkHref } from "./parts/talkHref";

/** The skill in view: how many stand where, what went wrong and for whom, and what follows from it. */
export function SkillSide(props: {
  readonly view: MasteryMapView;
  readonly facts: StandingFacts;
  readonly skill: MapSkill;
  readonly column: number;
  readonly pullAll: (students: readonly MapStudent[]) => void;
}) {
  const { view, facts, skill, column, pullAll } = props;
  const { classes } = useParams<{ classes: string }>();
  const shown = view.misconceptions.filter(({ skillId }) => skillId === skill.id);
  const known = view.students.filter((student) => !student.gauges[column]?.tooLittle);
  const at = (level: (typeof LEVELS)[number]) => known.filter((student) => student.gauges[column]?.level === level);
  const byIds = (ids: readonly string[]) => view.students.filter(({ id }) => ids.includes(id));
  const [first] = shown;
  return (
    <div>
      <h2 className="font-serif text-[18px] leading-tight font-medium">{skill.name}</h2>
      <p className="text-mute mt-1 text-[14px]">
        Grade {skill.grade}
        {skill.buildsOn.length > 0 ? `, builds on ${skill.buildsOn.join(" and ")}` : ""}
        {skill.planned ? `; ${skill.planned}` : ""}.
      </p>
      <div className="mt-3 flex h-2.5 gap-0.5" aria-hidden>
        {LEVELS.map((level, place) => {
          const count = at(level).length;
          return count > 0 ? <i key={level} style={{ flex: count, background: `var(--level-${place})` }} /> : null;
        })}
        {known.length < view.students.length ? (
          <i className="gauge-few bg-[var(--gauge)]" style={{ flex: view.students.length - known.length }} />
        ) : null}
      </div>
      <ul className="mt-1.5 text-[14px]">
        {LEVELS.map((level, place) => {
          const students = at(level);
          return students.length === 0 ? null : (
            <li key={level} className="flex items-center gap-2 py-0.5">
              <i className="size-2.5" style={{ background: `var(--level-${place})` }} aria-hidden />
              <span>
                {students.length} {LEVEL_NAMES[level]}
              </span>
              <Pull students={students} pullAll={pullAll} what={LEVEL_NAMES[level]} />
            </li>
          );
        })}
        {known.length < view.students.length ? (
          <li className="text-mute py-0.5 pl-[18px]">{view.students.length - known.length} with too little evidence</li>
        ) : null}
      </ul>
      <Beside view={view} facts={facts} skill={skill} column={column} pullAll={pullAll} />
      <h3 className="mt-3 mb-1 text-[14px] font-bold">What went wrong, by students</h3>
      {shown.length === 0 ? <p className="text-mute text-[14px]">No known mistake has shown in this skill.</p> : null}
      <ul>
        {shown.slice(0, 3).map((entry) => (
          <Misconception
            key={entry.misconceptionId}
            entry={entry}
            pullAll={() => pullAll(byIds(entry.students.map(({ id }) => id)))}
          />
        ))}
      </ul>
      {first && first.students.length > 1 ? (
        <p className="border-ink mt-2 border-t-2 pt-2 text-[14px]">
          Worth a group: <b>{first.students.length} students</b> share “{first.name.toLowerCase()}”
          {chanceWords(first, view, column)}
          {skill.blocks.length > 0 ? (
            <>
              , and <b>{skill.blocks[0]}</b> builds on it
            </>
          ) : null}
          .
        </p>
      ) : null}
      <div className="mt-3 flex flex-wrap gap-2">
        <ButtonLink look="main" href={`/desk/${classes}/library/${skill.id}`}>
          Lesson and reteach plan
        </ButtonLink>
        <ButtonLink href={`/desk/${classes}/work/new?skill=${skill.id}`}>Assign practice</ButtonLink>
      </div>
    </div>
  );
}

/** Ready is who very likely has what a skill builds on. */
const READY_FROM = 0.7;

/** Who is ready and has it not, who could explain it to others, and who has work on it already. */
function Beside(props: {
  readonly view: MasteryMapView;
  readonly facts: StandingFacts;
  readonly skill: MapSkill;
  readonly column: number;
  readonly pullAll: (students: readonly MapStudent[]) => void;
}) {
  const { view, facts, skill, column, pullAll } = props;
  const of = (fits: (student: MapStudent) => boolean) => view.students.filter(fits);
  const lines = [
    {
      words: "ready for it, and not mastered",
      students: of(
        ({ id, gauges }) => (facts.students[id]?.ready[skill.id] ?? 0) >= READY_FROM && gauges[column]?.mark !== "now",
      ),
    },
    { words: "could explain it to others", students: of(({ gauges }) => gauges[column]?.mark === "now") },
    { words: "have open work on it", students: of(({ id }) => (facts.students[id]?.open[skill.id]?.length ?? 0) > 0) },
  ].filter(({ students }) => students.length > 0);
  return (
    <ul className="border-hair mt-1 border-t pt-1 text-[14px]">
      {lines.map(({ words, students }) => (
        <li key={words} className="flex items-center gap-2 py-0.5" title={students.map(({ name }) => name).join(", ")}>
          <span>
            {students.length} {words}
          </span>
          <Pull students={students} pullAll={pullAll} what={words} />
        </li>
      ))}
    </ul>
  );
}

function Misconception({ entry, pullAll }: { readonly entry: ShownMisconception; readonly pullAll: () => void }) {
  const { classes } = useParams<{ classes: string }>();
  const names = entry.students.slice(0, 6).map(({ name, times }) => (times > 1 ? `${name} (${times})` : name));
  const rest = entry.students.length - names.length;
  return (
    <li className="border-hair border-t py-1.5">
      <div className="flex items-baseline justify-between gap-2">
        <b className="text-[15px] font-semibold" title={entry.explanation}>
          {entry.name}
        </b>
        {entry.students.length > 0 ? (
          <span className="flex gap-3 whitespace-nowrap">
            <Link
              className="decoration-hair hover:decoration-ink text-[14px] font-semibold underline underline-offset-4"
              href={talkHref(
                classes,
                { skill: entry.skillId, mistake: entry.misconceptionId },
                entry.students.map(({ id }) => id),
              )}
            >
              Talk now
            </Link>
            <Button
              look="quiet"
              className="min-h-0! px-0! py-0! text-[14px]!"
              onClick={pullAll}
              aria-label={`Put the ${entry.students.length} who ${entry.name.toLowerCase()} on the pull list`}
            >
              Pull {entry.students.length}
            </Button>
          </span>
        ) : null}
      </div>
      <p className="text-mute text-[13px]">
        <span data-name>{names.join(", ")}</span>
        {rest > 0 ? ` and ${rest} more` : ""}
        {names.length > 0 && entry.secureSince > 0 ? "; " : ""}
        {entry.secureSince > 0 ? `${entry.secureSince} Secure since` : ""}
      </p>
    </li>
  );
}

function Pull(props: {
  readonly students: readonly MapStudent[];
  readonly pullAll: (students: readonly MapStudent[]) => void;
  readonly what: string;
}) {
  return (
    <Button
      look="quiet"
      className="ml-auto min-h-0! px-0! py-0! text-[14px]!"
      onClick={() => props.pullAll(props.students)}
      aria-label={`Put the ${props.students.length} ${props.what} on the pull list`}
    >
      Pull {props.students.length}
    </Button>
  );
}

function chanceWords(entry: ShownMisconception, view: MasteryMapView, column: number): string {
  const chances = view.students
    .filter(({ id }) => entry.students.some((student) => student.id === id))
    .map((student) => Math.round((student.gauges[column]?.chance ?? 0) * 100))
    .sort((x, y) => x - y);
  return chances.length === 0 ? "" : `, chance of mastery ${chances[0]} to ${chances.at(-1)}\u00a0%`;
}
