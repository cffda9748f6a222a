"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { WHOM_LEVELS, type Whom } from "@/core/grouping/whomFits";
import type { ActionResult } from "@/core/model/actionResult";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { Choices } from "@/ui/primitives/Choices";
import { FIELD } from "@/ui/primitives/Field";
import { WordEdit } from "@/ui/primitives/WordEdit";
import type { StandingFacts } from "../standingFacts";
import type { MapSkill, MasteryMapView } from "../types";
import type { Marking } from "./useMarking";

/** Gives what is marked; work is another feature's, so the page hands it in. */
export type GiveMarked = (input: unknown) => Promise<ActionResult<{ changeId: string | null; works: number }>>;

const LEVEL_WORDS: Readonly<Record<Whom["level"], string>> = {
  "not-secure": "not Secure yet",
  beginning: "at Beginning",
  developing: "at Developing",
  secure: "Secure or further",
  "too-little": "known too little of",
  everyone: "whatever their level",
};

/** Whom the map marks, as a sentence; who that is, with what they have open; and giving each what they are marked for. */
export function MarkSide({
  view,
  facts,
  skill,
  marking,
  give,
}: {
  readonly view: MasteryMapView;
  readonly facts: StandingFacts;
  readonly skill: MapSkill;
  readonly marking: Marking;
  readonly give: GiveMarked;
}) {
  const router = useRouter();
  const run = useRun(undoAction);
  const [batchId, setBatchId] = useState(() => v7());
  const [dueDay, setDueDay] = useState(facts.dueDay);
  const { whom, marked } = marking;
  const mean = (values: Partial<Record<keyof Whom, unknown>>) =>
    marking.mean(
      Object.fromEntries(
        Object.entries({ ...whom, ...values }).filter(([, value]) => value !== undefined),
      ) as unknown as Whom,
      skill,
    );
  const group = facts.groups.find(({ id }) => id === whom.groupId);
  const skills = new Set(marked.flatMap(({ skillIds }) => skillIds)).size;
  const assign = () =>
    run(
      () => give({ batchId, marked, dueDay }),
      `Assigned practice to ${marked.length} students.`,
      () => {
        setBatchId(v7());
        marking.stop();
        router.refresh();
      },
    );
  return (
    <div>
      <h2 className="font-serif text-[18px] leading-tight font-medium">{skill.name}</h2>
      <p className="mt-2 text-[15px] leading-relaxed">
        Everyone{" "}
        <WordEdit label="Level" word={LEVEL_WORDS[whom.level]}>
          <Choices
            name="whom-level"
            value={whom.level}
            of={WHOM_LEVELS.map((level) => [level, LEVEL_WORDS[level]] as const)}
            set={(level) => mean({ level })}
          />
        </WordEdit>
        ,{" "}
        <WordEdit
          label="Ready"
          word={
            whom.ready === undefined
              ? "ready for it or not"
              : whom.ready === "ready"
                ? "ready for it"
                : "not ready for it"
          }
        >
          <Choices
            name="whom-ready"
            value={whom.ready ?? "any"}
            of={[
              ["any", "ready for it or not"],
              ["ready", "ready: what it builds on is likely mastered"],
              ["not-ready", "not ready for it yet"],
            ]}
            set={(ready) => mean({ ready: ready === "any" ? undefined : ready })}
          />
        </WordEdit>
        ,{" "}
        <WordEdit
          label="Work"
          word={whom.work === undefined ? "with or without open work on it" : `${whom.work} open work on it`}
        >
          <Choices
            name="whom-work"
            value={whom.work ?? "any"}
            of={[
              ["without", "without open work on it"],
              ["with", "with open work on it"],
              ["any", "with or without"],
            ]}
            set={(work) => mean({ work: work === "any" ? undefined : work })}
          />
        </WordEdit>
        {whom.snag === undefined && whom.old === undefined && whom.groupId === undefined && whom.inWork === undefined
          ? " "
          : ", "}
        <WordEdit label="More" word={moreWords(whom, group?.name, facts)}>
          <div className="space-y-1.5">
            <label className="flex items-baseline gap-2">
              <input
                type="checkbox"
                className="accent-ink"
                checked={whom.snag === true}
                onChange={(event) => mean({ snag: event.target.checked ? true : undefined })}
              />
              with an open snag
            </label>
            <label className="flex items-baseline gap-2">
              <input
                type="checkbox"
                className="accent-ink"
                checked={whom.old === true}
                onChange={(event) => mean({ old: event.target.checked ? true : undefined })}
              />
              whose evidence is old
            </label>
            {facts.groups.length > 0 ? (
              <label className="flex items-center gap-2">
                of the group
                <select
                  className={FIELD}
                  value={whom.groupId ?? ""}
                  onChange={(event) => mean({ groupId: event.target.value || undefined })}
                >
                  <option value="">any</option>
                  {facts.groups.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
            ) : null}
            {facts.works.length > 0 ? <InWork facts={facts} whom={whom} mean={(inWork) => mean({ inWork })} /> : null}
          </div>
        </WordEdit>
        .
      </p>
      <p className="text-mute mt-1 text-[14px]">
        A cell marks or unmarks; the arrow beside a name marks all that the student needs and is ready for.
      </p>
      <ul className="border-hair mt-2 max-h-[36vh] overflow-y-auto border-t text-[14px]">
        {marked.map(({ studentId, skillIds }) => (
          <li key={studentId} className="border-hair flex items-baseline gap-2 border-b py-0.5">
            <span className="min-w-0 flex-1">
              <b data-name className="font-semibold">
                {view.students.find(({ id }) => id === studentId)?.name}
              </b>
              {skills > 1 ? `: ${skillIds.map((id) => view.skills.find((one) => one.id === id)?.name).join(", ")}` : ""}
              <Open titles={skillIds.flatMap((id) => facts.students[studentId]?.open[id] ?? [])} />
            </span>
            <button
              type="button"
              aria-label={`Not ${view.students.find(({ id }) => id === studentId)?.name}`}
              className="px-1"
              onClick={() => marking.forget(studentId)}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      {marked.length === 0 ? (
        <p className="text-mute py-2 text-[14px]">Nobody is meant by this. Change a word, or mark cells.</p>
      ) : null}
      <p className="mt-3 text-[14px]">
        Practice until mastered, due{" "}
        <input
          type="date"
          aria-label="Due day"
          className={`${FIELD} py-0!`}
          value={dueDay}
          onChange={(event) => setDueDay(event.target.value)}
        />
        .
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button
          look="main"
          disabled={run.busy || marked.length === 0 || dueDay === "" || !facts.mayGive}
          title={facts.mayGive ? undefined : "Work can be given only to classes of your own."}
          onClick={assign}
        >
          Assign practice to {marked.length}
        </Button>
        <Button onClick={marking.stop}>Never mind</Button>
      </div>
    </div>
  );
}

/** What somebody has open already on what they are marked for. */
function Open({ titles }: { readonly titles: readonly string[] }) {
  return titles.length === 0 ? null : <span className="text-mute"> (open: {[...new Set(titles)].join(", ")})</span>;
}

const WORK_WORDS: Readonly<Record<NonNullable<Whom["inWork"]>["is"], string>> = {
  "not-begun": "not begun",
  "not-through": "not through",
  through: "through with it",
  below: "with less right than",
  reached: "with at least so much right",
};

/** The share under which somebody is meant, until another is typed. */
const USUAL_PERCENT = 80;

/** What is wished of a piece of work: how far somebody is, or the share that was right. */
function InWork({
  facts,
  whom: { inWork },
  mean,
}: {
  readonly facts: StandingFacts;
  readonly whom: Whom;
  readonly mean: (inWork: Whom["inWork"] | undefined) => void;
}) {
  const percent = inWork && "percent" in inWork ? inWork.percent : USUAL_PERCENT;
  const wish = (workId: string, is: keyof typeof WORK_WORDS, of: number): Whom["inWork"] =>
    is === "below" || is === "reached" ? { workId, is, percent: of } : { workId, is };
  return (
    <div className="space-y-1.5">
      <label className="flex items-center gap-2">
        in
        <select
          className={`${FIELD} max-w-64`}
          aria-label="Piece of work"
          value={inWork?.workId ?? ""}
          onChange={(event) =>
            mean(event.target.value === "" ? undefined : wish(event.target.value, inWork?.is ?? "not-through", percent))
          }
        >
          <option value="">any work or none</option>
          {facts.works.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </label>
      {inWork ? (
        <p className="flex items-center gap-2">
          <select
            className={FIELD}
            aria-label="How far"
            value={inWork.is}
            onChange={(event) => mean(wish(inWork.workId, event.target.value as keyof typeof WORK_WORDS, percent))}
          >
            {Object.entries(WORK_WORDS).map(([is, words]) => (
              <option key={is} value={is}>
                {words}
              </option>
            ))}
          </select>
          {"percent" in inWork ? (
            <label className="flex items-center gap-1.5">
              <input
                type="number"
                className={`${FIELD} w-20`}
                aria-label="Per cent right"
                min={1}
                max={100}
                step="any"
                value={inWork.percent}
                onChange={(event) => {
                  const typed = event.target.valueAsNumber;
                  if (typed >= 0 && typed <= 100) mean({ ...inWork, percent: typed });
                }}
              />
              %
            </label>
          ) : null}
        </p>
      ) : null}
    </div>
  );
}

function workWords(inWork: NonNullable<Whom["inWork"]>, { works }: StandingFacts): string {
  const title = works.find(({ id }) => id === inWork.workId)?.title ?? "";
  if (!("percent" in inWork)) return `${WORK_WORDS[inWork.is]} in “${title}”`;
  return `with ${inWork.is === "below" ? "less than" : "at least"} ${inWork.percent} % right in “${title}”`;
}

function moreWords({ snag, old, inWork }: Whom, group: string | undefined, facts: StandingFacts): string {
  const words = [
    ...(snag ? ["with an open snag"] : []),
    ...(old ? ["with old evidence"] : []),
    ...(group === undefined ? [] : [`of ${group}`]),
    ...(inWork === undefined ? [] : [workWords(inWork, facts)]),
  ];
  return words.length === 0 ? "and no more" : words.join(", ");
}
