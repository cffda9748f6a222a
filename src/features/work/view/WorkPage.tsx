"use client";
import { useRouter } from "next/navigation";
import { Fragment, useState, useTransition } from "react";
import { sayDone, sayProblem } from "@/client/notices";
import { usePullList } from "@/client/pull-list/pullList";
import type { RunState } from "@/core/work/stateOfRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { runEndWords } from "@/words/staff/runWords";
import { whyWords } from "@/words/staff/whyWords";
import { moveDueDayAction, withdrawAction } from "../actions";
import type { PartOfRow, WorkRowView, WorkView } from "../types";
import { GrantBar } from "./GrantBar";
import { JoinedBar } from "./JoinedBar";
import { KIND_WORDS } from "./kindWords";
import { LineBox } from "./LineBox";
import { outcomeWords } from "./outcomeWords";
import { PlacedCell, StrandHead } from "./Placed";
import { PreparedBar, ReleaseBar } from "./ReleaseBar";

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
  const columns = 3 + (work.parts.length > 1 ? work.parts.length : work.strands.length > 0 ? work.strands.length : 2);
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
        {work.leftOut.length > 0 ? <span className="text-mute">left out: {work.leftOut.join(", ")}</span> : null}
      </p>
      <GrantBar work={work} chosen={chosen} />
      {chosen.length > 0 ? (
        <LineBox
          key={chosen.map(({ studentId }) => studentId).join()}
          assignmentId={work.id}
          students={chosen.map(({ studentId, name }) => ({ id: studentId, name }))}
          kinds={["reminder", "praise"]}
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

/** Finished, and in which skills that was not enough. */
function Unmastered({ open }: Pick<WorkRowView, "open">) {
  return (
    <>
      finished; not mastered:{" "}
      {open.map(({ skill, percent, why }, place) => (
        <span key={skill} title={whyWords("mastery", why)}>
          {skill} {percent} %{place < open.length - 1 ? ", " : ""}
          <span className="sr-only">, {whyWords("mastery", why)}</span>
        </span>
      ))}
    </>
  );
}

/** Under a student who is stuck: in what, and why that is said. */
function WhyStuck({ snags, columns }: Pick<WorkRowView, "snags"> & { readonly columns: number }) {
  return (
    <tr>
      <td colSpan={columns} className="pb-2 pl-[22px] text-[14px]">
        {snags.map(({ skill, why }) => (
          <p key={skill}>
            <b>{skill}</b>: {whyWords("snag", why)}.
          </p>
        ))}
      </td>
    </tr>
  );
}

function Row({
  row,
  work,
  name,
  toggle,
  pulled,
}: {
  readonly row: WorkRowView;
  readonly work: WorkView;
  readonly name: string;
  readonly toggle: () => void;
  readonly pulled: boolean;
}) {
  return (
    <tr className="border-hair border-t">
      <td className="py-1">
        <span className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-clay"
            checked={pulled}
            onChange={toggle}
            aria-label={`${row.name} on the pull list`}
          />
          <SheetLink id={row.studentId} className={pulled ? "font-bold" : ""}>
            {row.name}
          </SheetLink>
        </span>
      </td>
      <td
        className={row.status === "stuck" ? "text-clay font-semibold" : row.status === "not-started" ? "text-mute" : ""}
      >
        {row.excused === null ? (
          <>
            {row.open.length > 0 ? <Unmastered open={row.open} /> : name}
            {row.now ? ", at it now" : ""}
            {row.late ? ", late" : ""}
            {row.absent ? ", absent" : ""}
          </>
        ) : (
          <span className="text-mute font-normal">excused: {row.excused}</span>
        )}
        {row.granted.length > 0 || work.forms.length > 1 ? (
          <span className="text-mute block text-[14px] font-normal">
            {[...(work.forms.length > 1 ? [`form ${row.form}`] : []), ...row.granted].join(", ")}
          </span>
        ) : null}
      </td>
      {work.parts.length > 1 ? (
        row.parts.map((part, place) => <td key={work.parts[place]?.id}>{partWords(part)}</td>)
      ) : work.strands.length > 0 ? (
        work.strands.map((strand) => <PlacedCell key={strand.id} strand={strand} of={work.strands.length} row={row} />)
      ) : (
        <OnePart row={row} work={work} />
      )}
      <td className="text-mute">
        {row.lastWorked}
        {row.tooLate > 0 ? (
          <span className="text-ink block text-[14px]">
            {row.tooLate === 1 ? "1 answer came" : `${row.tooLate} answers came`} too late, not counted
          </span>
        ) : null}
      </td>
    </tr>
  );
}

/** A part for one student, in few words. */
function partWords({ state, markPercent, passed, outcome }: PartOfRow): string {
  if (state === "not-needed") return "not needed";
  if (state === "locked") return "waits";
  if (state !== "done") return state === "begun" ? "at it" : "open";
  const said = outcomeWords(outcome);
  if (said !== "") return said;
  if (markPercent === null) return "done";
  return `${markPercent} %${passed === null ? "" : passed ? ", at the cut or above" : ", below the cut"}`;
}

/** How far a single part is, and what came out. */
function OnePart({ row, work }: { readonly row: WorkRowView; readonly work: WorkView }) {
  const isTest = work.parts[0]?.isTest === true;
  return (
    <>
      <td>
        <span
          className="block h-2.5 w-36"
          style={{ background: "var(--gauge)" }}
          role="img"
          aria-label={`${Math.round(row.progress * 100)} % done`}
        >
          <i className="bg-water block h-full" style={{ width: `${row.progress * 100}%` }} />
        </span>
      </td>
      <td>
        {isTest
          ? row.markPercent === null
            ? ""
            : `${row.markPercent} %, ${row.itemsRight} of ${row.itemsDone} right`
          : row.itemsDone > 0
            ? `${row.itemsRight} of ${row.itemsDone}`
            : ""}
        <span className="block text-[14px]">{outcomeWords(row.parts[0]?.outcome)}</span>
        {row.toScore > 0 ? `, ${row.toScore} to score` : ""}
        {isTest || row.markPercent === null ? "" : `; with partial credit ${row.markPercent} %`}
        {row.passed === false ? <span className="text-clay font-semibold">, below the cut</span> : null}
      </td>
    </>
  );
}

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
  const about = work.strands.length > 0 ? work.strands.map(({ name }) => name) : work.skills;
  return `${work.className}, ${about.join(", ")}. ${[what, times, ...rules].join("; ")}.`;
}
