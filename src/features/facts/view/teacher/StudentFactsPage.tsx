"use client";
import { format, parseISO } from "date-fns";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useJson } from "@/client/useJson";
import { useRun } from "@/client/useRun";
import { factOfId } from "@/core/fluency/factOfId";
import type { Operation } from "@/core/model/factSettings";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { factText, operationName } from "@/words/factWords";
import { changeFactSettingsAction } from "../../actions";
import type { FactCell, FactHistoryLine, StudentFactsView } from "../../types";
import { SettingsSentence } from "./SettingsSentence";

/** Days after which what was known may have faded. */
const OLD_AFTER_DAYS = 30;

/** One student's facts: each by its chance of being known, its history, the days, and what differs from the class. */
export function StudentFactsPage({ view, base }: { readonly view: StudentFactsView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const [shown, setShown] = useState<string | null>(null);
  const practised = view.days.filter(({ minutes }) => minutes > 0);
  const minutes = practised.reduce((sum, day) => sum + day.minutes, 0);
  return (
    <div className="px-5 py-4">
      <PageHead
        title={`Number facts of ${view.name}`}
        sub={`${view.cells.filter(({ fluent }) => fluent).length} of ${view.cells.length} known by heart. ${view.secondsPerDigit === null ? "Typing is not measured yet." : `Types a digit in ${view.secondsPerDigit.toFixed(1)} s.`} In six weeks ${practised.length === 1 ? "1 day" : `${practised.length} days`} of practice, ${Math.round(minutes)} min.`}
      >
        <PrintButton>Print</PrintButton>
        <ButtonLink href={`${base}/work/facts`}>To the class</ButtonLink>
      </PageHead>
      <SettingsSentence
        classId={view.classId}
        studentId={view.studentId}
        who={view.name}
        on={view.on}
        settings={view.settings}
      />
      {view.own === null || Object.keys(view.own).length === 0 ? null : (
        <p className="text-mute mt-1 text-[15px]">
          Differs from the class.{" "}
          <Button
            look="quiet"
            className="px-0!"
            disabled={run.busy}
            onClick={() =>
              run(
                () => changeFactSettingsAction({ classId: view.classId, studentId: view.studentId, asTheClass: true }),
                `${view.name} practises as the class does.`,
                () => router.refresh(),
              )
            }
          >
            As the class
          </Button>
        </p>
      )}
      <div className="mt-4 flex flex-wrap items-start gap-x-10 gap-y-6">
        {view.settings.operations.map((operation) => (
          <Table
            key={operation}
            operation={operation}
            highest={view.settings.highest}
            cells={view.cells}
            shown={shown}
            show={setShown}
          />
        ))}
        <div className="max-w-sm min-w-72">
          {shown === null ? (
            <p className="text-mute text-[15px]">
              Filled from below: the chance that it comes right in time. A dot in its corner: known by heart. Hatched:
              fewer than three answers. Dry line above: not met for 30 days. Choose a fact to see what happened with it.
            </p>
          ) : (
            <History studentId={view.studentId} id={shown} close={() => setShown(null)} />
          )}
        </div>
      </div>
      <section aria-labelledby="days" className="mt-6">
        <h2 id="days" className="font-serif text-[20px] font-medium">
          Days
        </h2>
        {practised.length === 0 ? (
          <p className="text-mute text-[15px]">No practice in the last six weeks.</p>
        ) : (
          <table className="mt-1 text-[14px]">
            <thead className="text-mute text-left">
              <tr>
                <th className="pr-8 font-normal">Day</th>
                <th className="pr-8 text-right font-normal">minutes</th>
                <th className="pr-8 text-right font-normal">facts in time</th>
                <th className="font-normal">goal</th>
              </tr>
            </thead>
            <tbody>
              {[...practised].reverse().map((day) => (
                <tr key={day.day} className="border-hair border-t">
                  <td className="py-0.5 pr-8">{format(parseISO(day.day), "EEE d MMM")}</td>
                  <td className="pr-8 text-right tabular-nums">{Math.round(day.minutes * 10) / 10}</td>
                  <td className="pr-8 text-right tabular-nums">{day.inTime}</td>
                  <td>{day.goalMet ? "met" : "not met"}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
    </div>
  );
}

/** The facts of an operation as a table of its two numbers. */
function Table(props: {
  readonly operation: Operation;
  readonly highest: number;
  readonly cells: readonly FactCell[];
  readonly shown: string | null;
  readonly show: (id: string) => void;
}) {
  const { operation, highest, cells, shown, show } = props;
  const own = new Map(
    cells.flatMap((cell) => {
      const fact = factOfId(cell.id);
      if (fact?.operation !== operation) return [];
      // Differences and quotients stand where the sum or product stands that they take apart.
      const first =
        operation === "subtract" ? fact.left - fact.right : operation === "divide" ? fact.left / fact.right : fact.left;
      return [[`${first} ${fact.right}`, cell] as const];
    }),
  );
  const numbers = Array.from({ length: highest + 1 }, (_, number) => number);
  return (
    <table className="text-[13px]">
      <caption className="text-left font-serif text-[18px]">{operationName(operation)}</caption>
      <thead>
        <tr>
          <td />
          {numbers.map((number) => (
            <th key={number} className="text-mute font-normal">
              {number}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {numbers.map((first) => (
          <tr key={first}>
            <th className="text-mute pr-1.5 text-right font-normal">{first}</th>
            {numbers.map((second) => {
              const cell = own.get(`${first} ${second}`);
              return (
                <td key={second} className="p-px">
                  {cell ? (
                    <button
                      type="button"
                      aria-label={cellWords(cell)}
                      title={cellWords(cell)}
                      aria-pressed={shown === cell.id}
                      onClick={() => show(cell.id)}
                      className={`gauge block h-6 w-7 ${cell.attempts < 3 ? "gauge-few" : ""} ${(cell.daysAgo ?? 0) > OLD_AFTER_DAYS ? "gauge-old" : ""} ${cell.fluent ? "gauge-mastered" : ""}`}
                    >
                      {cell.attempts > 0 ? (
                        <i style={{ height: `${Math.max(4, cell.chance * 100)}%`, background: "var(--level-2)" }} />
                      ) : null}
                    </button>
                  ) : null}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function cellWords({ id, chance, doubt, fluent, attempts, daysAgo }: FactCell): string {
  if (attempts === 0) return `${factText(id)}: not asked yet`;
  const ago = daysAgo === 0 ? "today" : daysAgo === 1 ? "yesterday" : `${daysAgo} days ago`;
  return `${factText(id)}: ${fluent ? "known by heart, " : ""}chance ${Math.round(chance * 100)} % (give or take ${Math.round(doubt * 100)}), ${attempts === 1 ? "1 answer" : `${attempts} answers`}, last ${ago}`;
}

function History({
  studentId,
  id,
  close,
}: {
  readonly studentId: string;
  readonly id: string;
  readonly close: () => void;
}) {
  const loaded = useJson<readonly FactHistoryLine[]>(
    `/api/facts?student=${encodeURIComponent(studentId)}&fact=${encodeURIComponent(id)}`,
  );
  return (
    <section aria-live="polite" className="text-[14px]">
      <h2 className="flex items-baseline justify-between font-serif text-[18px]">
        {factText(id)}
        <Button look="quiet" onClick={close}>
          Close
        </Button>
      </h2>
      {loaded.state === "loading" ? <p className="text-mute">Loading…</p> : null}
      {loaded.state === "problem" ? <p role="alert">{loaded.message}</p> : null}
      {loaded.state === "ready" ? (
        loaded.data.length === 0 ? (
          <p className="text-mute">Not asked yet.</p>
        ) : (
          <ol>
            {loaded.data.map((line) => (
              <li key={line.when + line.seconds} className="border-hair flex justify-between gap-6 border-t py-1">
                <span className="text-mute">{line.when}</span>
                <span>
                  {line.given === null ? "passed" : line.given}
                  {line.right ? "" : ", wrong"} in {line.seconds.toFixed(1)} s
                  {line.right && line.limit !== null && line.seconds > line.limit
                    ? `, over ${line.limit.toFixed(1)} s`
                    : ""}
                  {line.leftOut ? ", does not count" : ""}
                </span>
              </li>
            ))}
          </ol>
        )
      ) : null}
    </section>
  );
}
