"use client";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { APPROACH_WORDS } from "@/words/staff/groupWords";
import { VERDICT_WORDS } from "@/words/staff/verdictWords";
import { notePresenceAction } from "../../actions";
import type { GroupView, MemberView, RoundView } from "../../types";
import { Change } from "./Change";
import { Worked } from "./Worked";

/** The round that was taught last: who was there, what came of it, and for whom. */
export function Round({
  group,
  round,
  base,
}: {
  readonly group: GroupView;
  readonly round: RoundView;
  readonly base: string;
}) {
  const taught = group.members.filter(({ taught: was }) => was);
  return (
    <section aria-labelledby="worked">
      <h2 id="worked" className="font-serif text-[18px] font-medium">
        Did it work, and for whom?
      </h2>
      <p className="mt-1 text-[15px]">
        {APPROACH_WORDS[round.approach]}
        {round.lowerName ? ` (${round.lowerName})` : ""}, {round.minutes} minutes, given on {round.when}
        {round.by ? ` by ${round.by}` : ""}:{" "}
        <ButtonLink look="quiet" className="px-0!" href={`${base}/work/${round.practiceWorkId}`}>
          the practice
        </ButtonLink>{" "}
        and{" "}
        <ButtonLink look="quiet" className="px-0!" href={`${base}/work/${round.checkWorkId}`}>
          the check
        </ButtonLink>
        .
      </p>
      <Worked group={group} round={round} />
      <Presence round={round} taught={taught} />
      <table className="mt-2 w-full text-[15px]">
        <thead className="text-mute text-left">
          <tr>
            <th className="py-1.5 font-normal">Student</th>
            <th className="w-24 font-normal">Was there</th>
            <th className="w-64 font-normal">Chance of mastery, before and after</th>
            <th className="w-24 font-normal">Practice</th>
            <th className="w-24 font-normal">Check</th>
            <th className="w-44 font-normal">So</th>
          </tr>
        </thead>
        <tbody>
          {taught.map((member) => (
            <Line key={member.id} member={member} round={round} />
          ))}
        </tbody>
      </table>
      <NotTaught group={group} />
    </section>
  );
}

function Line({ member, round }: { readonly member: MemberView; readonly round: RoundView }) {
  const verdict = member.there === false ? "away" : member.verdict;
  const isAgain = verdict === "round-again" || verdict === "away";
  return (
    <tr className="border-hair border-t">
      <td className="py-2 font-semibold">
        <SheetLink id={member.id}>{member.name}</SheetLink>
        {member.left ? <span className="text-mute block text-[14px] font-normal">not in the group now</span> : null}
      </td>
      <td>
        <There member={member} round={round} />
      </td>
      <td className="py-2">
        <Change before={member.chanceBefore ?? member.chance} after={member.chanceAfter} />
      </td>
      <td>{member.practice}</td>
      <td>
        {member.check
          ? member.check.answered < member.check.of
            ? `${member.check.answered} of ${member.check.of} done`
            : `${member.check.right} of ${member.check.of} right`
          : "not begun"}
      </td>
      <td className={isAgain ? "text-clay font-semibold" : ""}>
        {verdict === "away" ? "was away, comes round again" : verdict ? VERDICT_WORDS[verdict] : ""}
      </td>
    </tr>
  );
}

/** Whether one student was there: a tap for each of the two, and the same tap again takes it back. */
function There({ member, round }: { readonly member: MemberView; readonly round: RoundView }) {
  const run = useRun(undoAction);
  if (round.judgedDay !== null) return member.there === null ? "" : member.there ? "yes" : "no";
  const note = (there: boolean) =>
    run(
      () =>
        notePresenceAction({
          reteachId: round.id,
          presence: [{ studentId: member.id, there: member.there === there ? null : there }],
        }),
      null,
    );
  return (
    <span className="inline-flex">
      {([true, false] as const).map((there) => (
        <button
          key={String(there)}
          type="button"
          disabled={run.busy}
          aria-pressed={member.there === there}
          aria-label={`${member.name} was ${there ? "there" : "away"}`}
          className={`border-ink -ml-[1.5px] min-h-8 min-w-9 border-[1.5px] px-1.5 text-[14px] first:ml-0 ${member.there === there ? "bg-ink text-paper" : ""}`}
          onClick={() => note(there)}
        >
          {there ? "yes" : "no"}
        </button>
      ))}
    </span>
  );
}

/** Everybody at a tap, as long as somebody is not noted. */
function Presence({ round, taught }: { readonly round: RoundView; readonly taught: readonly MemberView[] }) {
  const run = useRun(undoAction);
  const open = taught.filter(({ there, left }) => there === null && !left);
  if (round.judgedDay !== null || open.length === 0) return null;
  const all = (there: boolean) =>
    run(
      () => notePresenceAction({ reteachId: round.id, presence: open.map(({ id }) => ({ studentId: id, there })) }),
      there ? `Noted that ${open.length} were there.` : `Noted that ${open.length} were away.`,
    );
  return (
    <p className="mt-3 flex flex-wrap items-center gap-2 text-[15px]">
      Who was there when it was taught?
      <Button disabled={run.busy} onClick={() => all(true)}>
        {open.length === taught.length ? "Everybody" : `The other ${open.length}`}
      </Button>
      <Button disabled={run.busy} onClick={() => all(false)}>
        {open.length === taught.length ? "Nobody" : `None of the other ${open.length}`}
      </Button>
    </p>
  );
}

function NotTaught({ group }: { readonly group: GroupView }) {
  const others = group.members.filter(({ taught, explains }) => !taught && !explains);
  const explaining = group.members.filter(({ explains }) => explains);
  return (
    <>
      {others.length > 0 ? (
        <p className="text-mute mt-2 text-[14px]">
          In the group, but not in this round: {others.map(({ name }) => name).join(", ")}.
        </p>
      ) : null}
      {explaining.length > 0 ? (
        <p className="text-mute mt-2 text-[14px]">There to explain: {explaining.map(({ name }) => name).join(", ")}.</p>
      ) : null}
    </>
  );
}
