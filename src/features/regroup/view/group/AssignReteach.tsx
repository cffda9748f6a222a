"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { RETEACH_SLOTS, USUAL_SLOT } from "@/core/grouping/reteachParts";
import type { Approach } from "@/core/model/reteach";
import { undoAction } from "@/server/history/undoAction";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { APPROACH_WORDS, approachBecause } from "@/words/staff/groupWords";
import { assignReteachAction } from "../../actions";
import type { GroupView } from "../../types";

const ROW = "flex items-center justify-between gap-3";
const BOX = "bg-field border-ink border-[1.5px] px-2 py-1";
const WHY = { again: "goes round again", away: "was away", new: "" } as const;

/** The next round in one move: how it is taught, practice and a check with their days, and who does the check for comparison. */
export function AssignReteach({ group, base }: { readonly group: GroupView; readonly base: string }) {
  const { next } = group;
  const router = useRouter();
  const run = useRun(undoAction, true);
  const [reteachId] = useState(() => v7());
  const [approach, setApproach] = useState<Approach>(next.approach.approach);
  const [minutes, setMinutes] = useState<number>(USUAL_SLOT);
  const [practiceDueDay, setPracticeDue] = useState(group.practiceDue);
  const [checkOpensDay, setCheckOpens] = useState(group.checkOpens);
  const [checkDueDay, setCheckDue] = useState(group.checkDue);
  const [checkItems, setCheckItems] = useState(5);
  const [compare, setCompare] = useState(true);
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const meant = next.students.filter(({ id }) => !leftOut.has(id));
  const many = meant.length === 1 ? "1 student" : `${meant.length} students`;
  const inVain = next.approaches.find((one) => one.approach === approach)?.inVain ?? 0;
  const assign = () =>
    run(
      () =>
        assignReteachAction({
          groupId: group.id,
          reteachId,
          practiceDueDay,
          checkOpensDay,
          checkDueDay,
          checkItems,
          approach,
          minutes,
          studentIds: meant.map(({ id }) => id),
          compare,
        }),
      `Assigned to ${many}.`,
      () => router.refresh(),
    );
  if (next.students.length === 0)
    return (
      <p className="border-hair border-l pl-5 text-[15px]">
        Nobody in this group is to be taught. Put somebody in on the group board.
      </p>
    );
  return (
    <form action={assign} className="border-hair space-y-2.5 border-l pl-5 text-[15px]">
      <h2 className="font-serif text-[18px] font-medium">
        {group.round ? "Another round" : "Assign reteach practice and a check"}
      </h2>
      {group.round ? (
        <ul>
          {next.students.map(({ id, name, why }) => (
            <li key={id}>
              <label className="flex gap-2">
                <input
                  type="checkbox"
                  className="accent-clay"
                  checked={!leftOut.has(id)}
                  onChange={() => {
                    const then = new Set(leftOut);
                    if (!then.delete(id)) then.add(id);
                    setLeftOut(then);
                  }}
                />
                <span>
                  {name} <span className="text-mute">{WHY[why]}</span>
                </span>
              </label>
            </li>
          ))}
        </ul>
      ) : null}
      <label className="block">
        How it is taught
        <select
          className={`${BOX} mt-1 w-full`}
          value={approach}
          onChange={(event) => setApproach(event.target.value as Approach)}
        >
          {next.approaches.map((one) => (
            <option key={one.approach} value={one.approach}>
              {APPROACH_WORDS[one.approach]}
              {one.approach === "underneath" && next.lowerName ? `: ${next.lowerName}` : ""}
            </option>
          ))}
        </select>
      </label>
      <p className="text-mute text-[14px]">
        {approach === next.approach.approach ? approachBecause(next.approach) : ""}{" "}
        {inVain > 0 ? `Did not help ${inVain} of them before. ` : ""}
        <ButtonLink
          look="quiet"
          className="px-0! text-[14px]!"
          href={`${base}/regroup/${group.id}/plan?how=${approach}&minutes=${minutes}`}
        >
          See this plan
        </ButtonLink>
      </p>
      <label className={ROW}>
        The lesson has
        <select className={BOX} value={minutes} onChange={(event) => setMinutes(Number(event.target.value))}>
          {RETEACH_SLOTS.map((long) => (
            <option key={long} value={long}>
              {long} minutes
            </option>
          ))}
        </select>
      </label>
      <Day label="Practice is due" value={practiceDueDay} min={group.today} set={setPracticeDue} />
      <Day label="Check opens" value={checkOpensDay} min={group.today} set={setCheckOpens} />
      <Day label="Check is due" value={checkDueDay} min={group.today} set={setCheckDue} />
      <label className={ROW}>
        Items in the check
        <select className={BOX} value={checkItems} onChange={(event) => setCheckItems(Number(event.target.value))}>
          {[3, 4, 5, 6, 8].map((count) => (
            <option key={count}>{count}</option>
          ))}
        </select>
      </label>
      {next.similar > 0 ? (
        <label className="flex gap-2">
          <input
            type="checkbox"
            className="accent-clay mt-1 self-start"
            checked={compare}
            onChange={(event) => setCompare(event.target.checked)}
          />
          <span>
            Give the check to{" "}
            {next.similar === 1 ? "the classmate who stands" : `the ${next.similar} classmates who stand`} where they
            do, too
            <span className="text-mute block text-[14px]">
              Without them nobody can tell whether it was the reteach: whoever stands lowest stands higher the next time
              by luck alone.
            </span>
          </span>
        </label>
      ) : (
        <p className="text-mute text-[14px]">No classmate stands where they do, so there is nobody to compare with.</p>
      )}
      <Problem text={run.problem} />
      <Button look="main" type="submit" disabled={run.busy || meant.length === 0}>
        Assign to {many}
      </Button>
    </form>
  );
}

function Day(props: {
  readonly label: string;
  readonly value: string;
  readonly min: string;
  readonly set: (day: string) => void;
}) {
  return (
    <label className={ROW}>
      {props.label}
      <input
        type="date"
        className={BOX}
        value={props.value}
        min={props.min}
        onChange={(event) => props.set(event.target.value)}
        required
      />
    </label>
  );
}
