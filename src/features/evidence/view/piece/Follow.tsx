"use client";
import { useParams } from "next/navigation";
import { useState } from "react";
import { v7 } from "uuid";
import { usePullList } from "@/client/pull-list/pullList";
import { useRun } from "@/client/useRun";
import { reachesCut } from "@/core/measurement/reachesCut";
import type { ActionResult } from "@/core/model/actionResult";
import { rational } from "@/core/numeric/rational";
import { undoAction } from "@/server/history/undoAction";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { PieceView } from "../../pieceTypes";

/** Gives each student practice on what they missed; work is another feature's, so the page hands it in. */
export type GiveFollow = (input: unknown) => Promise<ActionResult<{ changeId: string | null; works: number }>>;

const MOST_SKILLS = 6;

/** What follows from a piece of work: practice on just what each missed, a group, another try. */
export function Follow({
  view,
  line,
  give,
}: {
  readonly view: PieceView;
  readonly line: number;
  readonly give: GiveFollow;
}) {
  const { classes } = useParams<{ classes: string }>();
  const pull = usePullList();
  const run = useRun(undoAction);
  const [batchId, setBatchId] = useState(() => v7());
  const [dueDay, setDueDay] = useState(view.dueDay);
  const [alsoAbove, setAlsoAbove] = useState(false);
  const finished = view.students.filter(({ mark, state }) => mark !== null && state !== "excused");
  const below = finished.filter(({ mark }) => !reachesCut(rational(mark ?? 0), line));
  const meant = (alsoAbove ? finished : below).filter(({ missed }) => missed.length > 0);
  if (finished.length === 0) return null;
  const assign = () =>
    run(
      () =>
        give({
          batchId,
          dueDay,
          marked: meant.map(({ id, classId, missed }) => ({
            studentId: id,
            classId,
            skillIds: missed.slice(0, MOST_SKILLS).map((skill) => skill.id),
          })),
        }),
      `Assigned practice to ${meant.length} students, each on what they missed.`,
      () => setBatchId(v7()),
    );
  return (
    <section className="border-ink no-print mt-5 border-t-2 pt-2" aria-labelledby="follow-title">
      <h2 id="follow-title" className="text-[16px] font-bold">
        What follows
      </h2>
      <p className="text-[15px]">
        {meant.length === 0
          ? `Nobody ${alsoAbove ? "" : `below ${line} % `}missed a skill of it.`
          : `${meant.length} of ${finished.length} missed at least one skill of it${alsoAbove ? "" : ` and lie below ${line} %`}: each gets practice on just those, until mastered.`}{" "}
        <label>
          <input
            type="checkbox"
            className="accent-ink"
            checked={alsoAbove}
            onChange={(event) => setAlsoAbove(event.target.checked)}
          />{" "}
          those above the line too
        </label>
      </p>
      <div className="mt-1.5 flex flex-wrap items-center gap-2 text-[15px]">
        <Button
          look="main"
          disabled={run.busy || meant.length === 0 || !view.mayChange || dueDay === ""}
          title={view.mayChange ? undefined : "Work can be given only to classes of your own."}
          onClick={assign}
        >
          Assign follow-up to {meant.length}
        </Button>
        <label>
          due <input type="date" className={FIELD} value={dueDay} onChange={(event) => setDueDay(event.target.value)} />
        </label>
        <Button
          disabled={below.length === 0}
          onClick={() =>
            pull.add(below.map(({ id, name, missed }) => ({ id, name, skillId: missed[0]?.id ?? view.leadSkillId })))
          }
        >
          Pull the {below.length} below {line} %
        </Button>
        <ButtonLink href={`/desk/${classes}/work/${view.id}`}>Another try, more time, release</ButtonLink>
      </div>
    </section>
  );
}
