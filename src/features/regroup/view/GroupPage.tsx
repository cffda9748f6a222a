"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { v7 } from "uuid";
import { sayDone, sayProblem } from "@/client/notices";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import { archiveGroupAction, assignReteachAction } from "../actions";
import type { GroupView, MemberView } from "../types";

/** One group: who is in it and why, its reteach, and afterwards whether it worked. */
export function GroupPage({ group, base }: { readonly group: GroupView; readonly base: string }) {
  const router = useRouter();
  const [busy, start] = useTransition();
  const archive = () =>
    start(async () => {
      const result = await archiveGroupAction(group.id);
      if (!result.ok) {
        sayProblem(result.message);
        return;
      }
      sayDone(`Archived “${group.name}”.`, () => undoAction(result.data.changeId));
      router.push(`${base}/regroup`);
    });
  return (
    <div className="px-5 py-4">
      <PageHead title={group.name} sub={`${group.skillName}, ${group.members.length} students. ${group.because}`}>
        <ButtonLink look={group.reteach ? "plain" : "main"} href={`${base}/regroup/${group.id}/plan`}>
          Reteach plan
        </ButtonLink>
        <Button disabled={busy} onClick={archive}>
          Archive
        </Button>
      </PageHead>
      <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_21rem]">
        <div>{group.reteach ? <Outcome group={group} /> : <Members group={group} />}</div>
        <div>{group.reteach ? <Assigned group={group} base={base} /> : <AssignReteach group={group} />}</div>
      </div>
    </div>
  );
}

function Members({ group }: { readonly group: GroupView }) {
  return (
    <table className="w-full text-[15px]">
      <thead className="text-mute text-left">
        <tr>
          <th className="py-1.5 font-normal">Student</th>
          <th className="w-40 font-normal">Chance of mastery</th>
          <th className="font-normal">What went wrong</th>
        </tr>
      </thead>
      <tbody>
        {group.members.map((member) => (
          <tr key={member.id} className="border-hair border-t align-top">
            <td className="py-2 font-semibold">
              <SheetLink id={member.id}>{member.name}</SheetLink>
            </td>
            <td className="py-2">
              <span className="flex items-center gap-2" title={gaugeWords(member)}>
                <Gauge {...member} className="h-5 w-10" />
                {member.tooLittle ? "few answers" : `${Math.round(member.chance * 100)} %`}
              </span>
            </td>
            <td className="py-2">
              {member.misconceptions.length === 0 ? (
                <span className="text-mute">no known mistake</span>
              ) : (
                member.misconceptions.map(({ name, times }) => `${name} (${times})`).join(", ")
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const VERDICTS: Readonly<Record<NonNullable<MemberView["verdict"]>, string>> = {
  "check-open": "check not handed in yet",
  learned: "has learned it",
  closer: "closer, not there yet",
  "round-again": "goes round again",
};

function Outcome({ group }: { readonly group: GroupView }) {
  const { outcome } = group;
  return (
    <section aria-labelledby="worked">
      <h2 id="worked" className="font-serif text-[18px] font-medium">
        Did it work, and for whom?
      </h2>
      {outcome ? (
        <p className="mt-1 mb-3 text-[15px]">
          The chance of mastery went from {Math.round(outcome.meanBefore * 100)} % to{" "}
          <b>{Math.round(outcome.meanAfter * 100)} %</b> on average of {outcome.students} students.{" "}
          {outcome.open > 0 ? `${outcome.open} have not handed in the check. ` : ""}
          {outcome.learned > 0 ? `${outcome.learned} learned it. ` : ""}
          {outcome.closer > 0 ? `${outcome.closer} came closer. ` : ""}
          {outcome.again > 0 ? <b className="text-clay">{outcome.again} should go round again.</b> : null}
        </p>
      ) : null}
      <table className="w-full text-[15px]">
        <thead className="text-mute text-left">
          <tr>
            <th className="py-1.5 font-normal">Student</th>
            <th className="w-64 font-normal">Chance of mastery, before and after</th>
            <th className="w-28 font-normal">Practice</th>
            <th className="w-28 font-normal">Check</th>
            <th className="w-48 font-normal">So</th>
          </tr>
        </thead>
        <tbody>
          {group.members.map((member) => (
            <tr key={member.id} className="border-hair border-t">
              <td className="py-2 font-semibold">
                <SheetLink id={member.id}>{member.name}</SheetLink>
                {member.left ? (
                  <span className="text-mute block text-[14px] font-normal">not in the group now</span>
                ) : null}
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
              <td className={member.verdict === "round-again" ? "text-clay font-semibold" : ""}>
                {member.verdict ? VERDICTS[member.verdict] : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** A line from the chance before to the chance after it on a scale of 0 to 100 %, with the Secure mark. */
function Change({ before, after }: { readonly before: number; readonly after: number }) {
  const [from, to] = [before * 100, after * 100];
  const words = `${Math.round(from)} % before, ${Math.round(to)} % after`;
  return (
    <span className="flex items-center gap-2.5">
      <svg viewBox="0 0 120 18" className="h-[18px] w-[120px]" role="img" aria-label={words}>
        <path d="M2 9H118" stroke="var(--hair)" strokeWidth="1.5" />
        <path d="M94.8 3V15" stroke="var(--mute)" strokeWidth="1" strokeDasharray="2 2" />
        <path
          d={`M${2 + from * 1.16} 9H${2 + to * 1.16}`}
          stroke={to >= from ? "var(--water)" : "var(--clay)"}
          strokeWidth="4"
        />
        <circle cx={2 + from * 1.16} cy="9" r="4" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.5" />
        <circle cx={2 + to * 1.16} cy="9" r="4.5" fill="var(--ink)" />
      </svg>
      <span className="whitespace-nowrap">
        {Math.round(from)} → <b>{Math.round(to)} %</b>
      </span>
    </span>
  );
}

function Assigned({ group, base }: { readonly group: GroupView; readonly base: string }) {
  return (
    <section className="text-[15px]">
      <h2 className="font-serif text-[18px] font-medium">What was given</h2>
      <p className="mt-1">Assigned on {group.reteach?.when}: a reteach practice and a short check.</p>
      <p className="mt-2 flex flex-wrap gap-2">
        <ButtonLink href={`${base}/work/${group.reteach?.practiceWorkId}`}>The practice</ButtonLink>
        <ButtonLink href={`${base}/work/${group.reteach?.checkWorkId}`}>The check</ButtonLink>
      </p>
      <p className="text-mute mt-4 text-[14px]">
        Good is a chance of 80 % or more (the dashed mark) and at least 3 of 4 right in the check. A change without a
        group to compare with may have other reasons too.
      </p>
    </section>
  );
}

function AssignReteach({ group }: { readonly group: GroupView }) {
  const [reteachId] = useState(() => v7());
  const [practiceDueDay, setPracticeDue] = useState(group.practiceDue);
  const [checkOpensDay, setCheckOpens] = useState(group.checkOpens);
  const [checkDueDay, setCheckDue] = useState(group.checkDue);
  const [checkItems, setCheckItems] = useState(4);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const assign = () =>
    start(async () => {
      const result = await assignReteachAction({
        groupId: group.id,
        reteachId,
        practiceDueDay,
        checkOpensDay,
        checkDueDay,
        checkItems,
      });
      if (!result.ok) {
        setProblem(result.message);
        return;
      }
      const { changeId } = result.data;
      sayDone(`Assigned to ${group.members.length} students.`, changeId ? () => undoAction(changeId) : undefined);
    });
  const row = "flex items-center justify-between gap-3";
  const box = "bg-field border-ink border-[1.5px] px-2 py-1";
  return (
    <form action={assign} className="border-hair space-y-2.5 border-l pl-5 text-[15px]">
      <h2 className="font-serif text-[18px] font-medium">Assign reteach practice and a check</h2>
      <p className="text-mute text-[14px]">
        Practice on {group.skillName}, at most 10 items; then a check without feedback. Where each student stands today
        is kept, so that you see whether it worked.
      </p>
      <label className={row}>
        Practice is due
        <input
          type="date"
          className={box}
          value={practiceDueDay}
          min={group.today}
          onChange={(event) => setPracticeDue(event.target.value)}
          required
        />
      </label>
      <label className={row}>
        Check opens
        <input
          type="date"
          className={box}
          value={checkOpensDay}
          min={group.today}
          onChange={(event) => setCheckOpens(event.target.value)}
          required
        />
      </label>
      <label className={row}>
        Check is due
        <input
          type="date"
          className={box}
          value={checkDueDay}
          min={group.today}
          onChange={(event) => setCheckDue(event.target.value)}
          required
        />
      </label>
      <label className={row}>
        Items in the check
        <select className={box} value={checkItems} onChange={(event) => setCheckItems(Number(event.target.value))}>
          {[3, 4, 5, 6, 8].map((count) => (
            <option key={count}>{count}</option>
          ))}
        </select>
      </label>
      {problem ? (
        <p role="alert" className="border-clay border-l-4 pl-3">
          {problem}
        </p>
      ) : null}
      <Button look="main" type="submit" disabled={busy}>
        Assign to {group.members.length} students
      </Button>
    </form>
  );
}
