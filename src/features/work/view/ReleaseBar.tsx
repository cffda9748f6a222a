import { type Run, useRun } from "@/client/useRun";
import { RELEASED, type Released } from "@/core/model/work";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { giveNowAction, releaseAction } from "../actions";
import type { WorkView } from "../types";

const WORDS: Readonly<Record<Released, string>> = {
  score: "the score",
  answers: "their answers with the right ones",
  explanations: "explanations",
};

/** What students may see of a test, and what can still be shown to them. */
export function ReleaseBar({ work }: { readonly work: WorkView }) {
  const run = useRun(undoAction);
  if (!work.parts.some(({ isTest }) => isTest)) return null;
  const isShown = (what: Released) =>
    work.released.includes(what) ||
    work.release[what] === "done" ||
    (work.release[what] === "closed" && work.state === "over");
  const hidden = RELEASED.filter((what) => !isShown(what));
  const soon = hidden.filter((what) => work.release[what] === "closed");
  return (
    <p className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-1.5 text-[15px]">
      <span>
        {hidden.length === RELEASED.length
          ? "Students see nothing of how it went yet"
          : `Students who handed in see ${RELEASED.filter(isShown)
              .map((what) => WORDS[what])
              .join(", ")}`}
        {soon.length > 0 ? `; ${soon.map((what) => WORDS[what]).join(" and ")} when it is closed` : ""}.
      </span>
      {hidden.length > 0 ? <Show work={work} what={hidden} run={run} words="Show everything" /> : null}
      {hidden.length > 1
        ? hidden.map((what) => <Show key={what} work={work} what={[what]} run={run} words={`Only ${WORDS[what]}`} />)
        : null}
    </p>
  );
}

function Show({
  work,
  what,
  run,
  words,
}: {
  readonly work: WorkView;
  readonly what: readonly Released[];
  readonly run: Run;
  readonly words: string;
}) {
  return (
    <Button
      look={what.length > 1 ? "plain" : "quiet"}
      className={what.length > 1 ? "" : "px-0!"}
      disabled={run.busy}
      onClick={() =>
        run(
          () => releaseAction({ assignmentId: work.id, what }),
          `Students see ${what.map((one) => WORDS[one]).join(", ")} now.`,
        )
      }
    >
      {words}
    </Button>
  );
}

/** Work that is prepared, and on nobody's list yet. */
export function PreparedBar({ work }: { readonly work: WorkView }) {
  const run = useRun(undoAction);
  if (!work.isPrepared) return null;
  return (
    <p className="border-clay mb-3 flex flex-wrap items-center gap-3 border-l-4 pl-3 text-[15px]">
      Prepared: it is on nobody’s list yet.
      <Button
        look="main"
        disabled={run.busy}
        onClick={() => run(() => giveNowAction(work.id), `Gave “${work.title}” to ${work.given} students.`)}
      >
        Give it now
      </Button>
    </p>
  );
}
