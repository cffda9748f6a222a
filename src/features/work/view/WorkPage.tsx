"use client";
import { useRouter } from "next/navigation";
import { Fragment, useState, useTransition } from "react";
import { sayDone, sayProblem } from "@/client/notices";
import { usePullList } from "@/client/pull-list/pullList";
import type { RunState } from "@/core/work/stateOfRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { runEndWords } from "@/words/staff/runWords";
import { keepWorkAction, moveDueDayAction, withdrawAction } from "../actions";
import type { WorkView } from "../types";
import { GainLine } from "./Gain";
import { GrantBar } from "./GrantBar";
import { JoinedBar } from "./JoinedBar";
import { KIND_WORDS } from "./kindWords";
import { LineBox } from "./LineBox";
import { StrandHead } from "./Placed";
import { PreparedBar, ReleaseBar } from "./ReleaseBar";
import { Row, WhyStuck } from "./WorkRows";

const ORDER: readonly RunState[] = [
  "stuck",
  "working",
  "not-started",
  "missed",
  "budget",
  "time-up",
  "amount",
  "handed-in",
  "decided",
  "read",
  "placed",
  "mastered",
];
/** One piece of work: who is where, who wants help, and what can still be changed. */
export function WorkPage({ work, base }: { readonly work: WorkView; readonly base: string }) {
  const router = useRouter();
  const pull = usePullList();
  const [dueDay, setDueDay] = useState(work.dueDay);
  const [busy, start] = useTransition();
  const rows = [...work.rows].sort(
    (x, y) => ORDER.indexOf(x.status) - ORDER.indexOf(y.status) || x.name.localeCompare(y.name),
  );
  const isTest = work.parts.length === 1 && work.parts[0]?.isTest === true;
  const columns =
    3 +
    (work.gain === null ? 0 : 1) +
    (work.parts.length > 1 ? work.parts.length : work.strands.length > 0 ? work.strands.length : 2);
  const chosen = rows.filter(({ studentId }) => pull.has(studentId));
  const pullAll = (status: RunState) =>
    pull.add(
      rows
        .filter((row) => row.status === status)
        .map(({ studentId, name }) => ({ id: studentId, name, skillId: null })),
    );
  const run = (change: () => ReturnType<typeof withdrawAction>, done: string, then?: () => void) =>
    start(async () => {
      const result = await change();
      if (!result.ok) {
        sayProblem(result.message);
        return;
      }
      sayDone(done, () => undoAction(result.data.changeId));
      then?.();
    });
  return (
    <div className="px-5 py-4">
      <PageHead title={work.title} sub={subOf(work)}>
        <label className="flex items-center gap-2 text-[15px]">
          Due
          <input
            type="date"
            className="bg-field border-ink border-[1.5px] px-2 py-0.5"
            value={dueDay}
            onChange={(event) => setDueDay(event.target.value)}
          />
        </label>
        <Button
          disabled={busy || dueDay === work.dueDay || dueDay === ""}
          onClick={() => run(() => moveDueDayAction(work.id, dueDay), `“${work.title}” is due on another day now.`)}
        >
          {work.state === "over" ? "Open again until then" : "Move the due day"}
        </Button>
        {work.state === "open" || work.state === "late" ? (
          <ButtonLink href={`${base}/work/${work.id}/live`}>At work now</ButtonLink>
        ) : null}
        {work.parts.some((part) => part.isTest) ? (
          <ButtonLink href={`${base}/work/${work.id}/items`}>Items</ButtonLink>
        ) : null}
        {work.isKept === false ? (
          <Button
            disabled={busy}
            onClick={() => run(() => keepWorkAction(work.id), `Kept “${work.title}”; it is found under Kept work.`)}
          >
            Keep
          </Button>
        ) : null}
        <ButtonLink href={`${base}/work/${work.id}/change`}>Change</ButtonLink>
        <ButtonLink href={`${base}/work/new?again=${work.id}`}>Give again</ButtonLink>
        <Button
          disabled={busy}
          onClick={() =>
            run(
              () => withdrawAction(work.id),
              `Withdrew “${work.title}”. Answers are kept.`,
              () => router.push(`${base}/work`),
            )
          }
        >
          Withdraw
        </Button>
      </PageHead>
      <PreparedBar work={work} />
      <JoinedBar work={work} />
      <ReleaseBar work={work} />
      {work.parts.some(({ onPaper }) => onPaper) ? (
        <p className="mb-3 flex gap-3 text-[15px]">
          <ButtonLink look="main" href={`${base}/work/${work.id}/paper`}>
            Type in results
          </ButtonLink>
          <ButtonLink href={`${base}/library/worksheet?work=${work.id}`}>Print the sheets</ButtonLink>
        </p>
      ) : null}
      {work.scoring.any ? (
        <p className="mb-3 text-[15px]">
          <ButtonLink look={work.scoring.waiting > 0 ? "main" : "plain"} href={`${base}/work/${work.id}/score`}>
            {work.scoring.waiting > 0
              ? `Score ${work.scoring.waiting} written ${work.scoring.waiting === 1 ? "answer" : "answers"}`
              : "Written answers, all scored"}
          </ButtonLink>
        </p>
      ) : null}
      <p className="mb-3 flex flex-wrap gap-x-5 text-[15px]">
        {ORDER.map((status) => {
          const count = rows.filter((row) => row.status === status).length;
          if (count === 0) return null;
          return (
            <span key={status} className={status === "stuck" ? "text-clay font-semibold" : ""}>
              {count} {runEndWords(status)}{" "}
              <Button
                look="quiet"
                className="px-0! py-0! text-[14px]!"
                onClick={() => pullAll(status)}
                aria-label={`Put the ${count} ${runEndWords(status)} on the pull list`}
              >
                Pull {count}
              </Button>
            </span>
          );
        })}
        {work.average === null ? null : (
          <span>
            class average <b>{work.average.percent} %</b> of {work.average.students}{" "}
            {work.average.students === 1 ? "mark" : "marks"}
          </span>
        )}
        {work.leftOut.length > 0 ? <span className="text-mute">left out: {work.leftOut.join(", ")}</span> : null}
      </p>
      <GainLine gain={work.gain} />
      <GrantBar work={work} chosen={chosen} />
      {chosen.length > 0 ? (
        <LineBox
          key={chosen.map(({ studentId }) => studentId).join()}
          assignmentId={work.id}
          students={chosen.map(({ studentId, name }) => ({ id: studentId, name }))}
          kinds={["reminder", "praise", "comment"]}
        />
      ) : null}
      <table className="w-full max-w-6xl text-[15px]">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="w-44 py-1 font-normal">Student</th>
            <th className="w-80 font-normal">Where</th>
            {work.parts.length > 1 ? (
              work.parts.map(({ id, title }) => (
                <th key={id} className="font-normal">
                  {title}
                </th>
              ))
            ) : work.strands.length > 0 ? (
              work.strands.map((strand) => <StrandHead key={strand.id} strand={strand} of={work.strands.length} />)
            ) : (
              <>
                <th className="w-48 font-normal">Progress</th>
                <th className="w-56 font-normal">{isTest ? "Mark" : "Right at the first try"}</th>
              </>
            )}
            {work.gain === null ? null : <th className="w-32 font-normal">Gain</th>}
            <th className="w-40 font-normal">Last worked</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <Fragment key={row.studentId}>
              <Row
                row={row}
                work={work}
                name={runEndWords(row.status)}
                toggle={() => pull.toggle({ id: row.studentId, name: row.name, skillId: null })}
                pulled={pull.has(row.studentId)}
              />
              {row.status === "stuck" ? <WhyStuck snags={row.snags} columns={columns} /> : null}
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** More names than these say less. */
const MOST_NAMES = 6;

const inShort = (names: readonly string[]): readonly string[] =>
  names.length <= MOST_NAMES ? names : [...names.slice(0, 3), `${names.length - 3} more skills`];

function subOf(work: WorkView): string {
  const rules = [
    ...(work.closes === null ? [] : [`late work until ${work.closes}`]),
    ...(work.cutPercent === null ? [] : [`cut ${work.cutPercent} %`]),
    ...(work.onlyAtSchool ? [`only at school${work.unlockCode === null ? "" : `, code ${work.unlockCode}`}`] : []),
    ...(work.goesFirst ? ["goes before other work"] : []),
  ];
  const what =
    work.parts.length > 1
      ? `${work.parts.length} parts: ${work.parts.map(({ title }) => title.toLowerCase()).join(", ")}`
      : KIND_WORDS[work.kind].ends(work.items, work.certainty);
  const times = `open from ${work.opens}, ${work.due === null ? "no due day" : `due ${work.due}`}`;
  const about = work.strands.length > 0 ? work.strands.map(({ name }) => name) : inShort(work.skills);
  return `${work.className}, ${about.join(", ")}. ${[what, times, ...rules].join("; ")}.`;
}
