"use client";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { endNowAction, grantAction, pauseAction, resumeAction } from "../../actions";
import type { LiveRow, LiveView } from "../../liveTypes";
import { LineBox } from "../LineBox";
import { ItemSigns } from "./ItemSigns";
import { AT_WORK, LIVE_ORDER, liveWords, SUMS } from "./liveWords";
import { useLive } from "./useLive";

/** A class at work at this moment: who is held up, who is through, and what can be done for all or for some. */
export function LiveBoard({ first, base }: { readonly first: LiveView; readonly base: string }) {
  const { view, connection } = useLive(first);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const rows = [...view.rows].sort(
    (x, y) => LIVE_ORDER.indexOf(x.state) - LIVE_ORDER.indexOf(y.state) || x.name.localeCompare(y.name),
  );
  const toggle = (id: string) =>
    setChosen((before) => new Set(before.has(id) ? [...before].filter((one) => one !== id) : [...before, id]));
  const atWork = rows.filter(({ state }) => AT_WORK.includes(state));
  const selected = rows.filter(({ id }) => chosen.has(id));
  return (
    <div className="px-5 py-4">
      <PageHead title={`${view.title}, now`} sub={subOf(view, connection)}>
        <ForAll view={view} />
        <ButtonLink href={`${base}/work/${view.id}`}>To the work</ButtonLink>
      </PageHead>
      {view.isPaused ? (
        <p role="status" className="bg-bank mb-3 px-3 py-2 text-[15px] font-semibold">
          Paused for everybody. No time runs, and nothing is handed in by itself.
        </p>
      ) : null}
      <p className="mb-3 flex flex-wrap gap-x-5 text-[17px]" aria-live="polite">
        {SUMS.map(({ states, words, loud }) => {
          const count = rows.filter(({ state }) => states.includes(state)).length;
          return count === 0 ? null : (
            <span key={words} className={loud ? "text-clay font-semibold" : ""}>
              {count} {words}
            </span>
          );
        })}
      </p>
      {selected.length > 0 ? (
        <LineBox
          assignmentId={view.id}
          students={selected.map(({ id, name }) => ({ id, name }))}
          kinds={["word", "praise"]}
          done={() => setChosen(new Set())}
        />
      ) : null}
      <div className="grid gap-x-10 gap-y-4 lg:grid-cols-[1fr_22rem]">
        <div>
          {atWork.length === 0 ? <p className="text-mute py-2">Nobody is at work at this moment.</p> : null}
          <ul>
            {atWork.map((row) => (
              <Row key={row.id} row={row} chosen={chosen.has(row.id)} toggle={() => toggle(row.id)} />
            ))}
          </ul>
        </div>
        <div>
          {SUMS.filter(({ states }) => !states.some((state) => AT_WORK.includes(state))).map(({ states, words }) => (
            <Names
              key={words}
              title={words}
              rows={rows.filter(({ state }) => states.includes(state))}
              chosen={chosen}
              toggle={toggle}
            />
          ))}
        </div>
      </div>
    </div>
  );
}

function subOf(view: LiveView, connection: string): string {
  if (connection === "gone") return "This work was withdrawn.";
  return connection === "away"
    ? `No connection. This is how it stood at ${view.at}; it goes on by itself.`
    : "Goes on by itself.";
}

function ForAll({ view }: { readonly view: LiveView }) {
  const run = useRun(undoAction);
  const [isSure, setSure] = useState(false);
  const of = { assignmentId: view.id };
  const timed = view.rows.filter(({ minutesLeft }) => minutesLeft !== null).map(({ id }) => id);
  return (
    <>
      {view.isPaused ? (
        <Button look="main" disabled={run.busy} onClick={() => run(() => resumeAction(of), "It goes on.")}>
          Go on
        </Button>
      ) : (
        <Button disabled={run.busy} onClick={() => run(() => pauseAction(of), "Paused for everybody.")}>
          Pause all
        </Button>
      )}
      {timed.length > 0 ? (
        <Button
          disabled={run.busy}
          onClick={() =>
            run(
              () => grantAction({ ...of, studentIds: timed, minutes: 5 }),
              `Gave ${timed.length} students 5 more minutes.`,
            )
          }
        >
          5 more minutes for all
        </Button>
      ) : null}
      {isSure ? (
        <Button
          look="main"
          disabled={run.busy}
          onClick={() =>
            run(
              () => endNowAction(of),
              "Ended. What stands in tests is handed in within half a minute.",
              () => setSure(false),
            )
          }
        >
          End it now for all
        </Button>
      ) : (
        <Button onClick={() => setSure(true)}>End for all…</Button>
      )}
    </>
  );
}

/** Those who are not at work, by name. */
function Names({
  title,
  rows,
  chosen,
  toggle,
}: {
  readonly title: string;
  readonly rows: readonly LiveRow[];
  readonly chosen: ReadonlySet<string>;
  readonly toggle: (id: string) => void;
}) {
  if (rows.length === 0) return null;
  return (
    <section className="mb-4">
      <h2 className="mb-1 text-[15px] font-semibold">
        {rows.length} {title}
      </h2>
      <ul className="grid grid-cols-2 gap-x-4 text-[15px]">
        {rows.map((row) => (
          <li key={row.id}>
            <label className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="accent-clay"
                checked={chosen.has(row.id)}
                onChange={() => toggle(row.id)}
              />
              <span data-name>{row.name}</span>
              {row.finishedAt === null ? null : <span className="text-mute text-[14px]">{row.finishedAt}</span>}
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Row({
  row,
  chosen,
  toggle,
}: {
  readonly row: LiveRow;
  readonly chosen: boolean;
  readonly toggle: () => void;
}) {
  const held = row.state === "wrong-in-row" || row.state === "quiet";
  return (
    <li className="border-hair border-t py-1.5">
      <span className="flex items-center gap-2.5">
        <input
          type="checkbox"
          className="accent-clay size-4"
          checked={chosen}
          onChange={toggle}
          aria-label={`Choose ${row.name}`}
        />
        <SheetLink id={row.id} className="w-32 truncate text-[17px]">
          {row.name}
        </SheetLink>
        <ItemSigns items={row.items} />
        <span className={`ml-auto text-right text-[15px] ${held ? "text-clay font-semibold" : ""}`}>
          {liveWords(row)}
        </span>
      </span>
    </li>
  );
}
