"use client";
import { useRouter } from "next/navigation";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { slotWords } from "@/words/staff/slotWords";
import { archiveGroupAction } from "../../actions";
import type { GroupView } from "../../types";
import { AssignReteach } from "./AssignReteach";
import { Members } from "./Members";
import { Round } from "./Round";
import { EarlierRounds, Tried } from "./Tried";

/** One group: who is in it and why, its reteach, whether that worked and for whom, and who comes round again. */
export function GroupPage({ group, base }: { readonly group: GroupView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const { round, next } = group;
  const again = round !== null && next.students.length > 0;
  return (
    <div className="px-5 py-4">
      <PageHead
        title={group.name}
        sub={
          <>
            {group.skillName}, {group.members.length === 1 ? "one student" : `${group.members.length} students`}
            {group.slots.length > 0 ? `, ${group.slots.map(slotWords).join("; ")}` : ""}. {group.because}
          </>
        }
      >
        <ButtonLink
          look={round ? "plain" : "main"}
          href={`${base}/regroup/${group.id}/plan?how=${round && !again ? round.approach : next.approach.approach}`}
        >
          Reteach plan
        </ButtonLink>
        <Button
          disabled={run.busy}
          onClick={() =>
            run(
              () => archiveGroupAction(group.id),
              `Archived “${group.name}”.`,
              () => router.push(`${base}/regroup`),
            )
          }
        >
          Archive
        </Button>
      </PageHead>
      <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div>
          {round ? <Round group={group} round={round} base={base} /> : <Members group={group} />}
          <Tried tried={group.tried} />
          <EarlierRounds rounds={group.earlier} />
        </div>
        <div>
          {round === null || again ? (
            <AssignReteach key={round?.id ?? "first"} group={group} base={base} />
          ) : (
            <Waiting group={group} />
          )}
        </div>
      </div>
    </div>
  );
}

function Waiting({ group: { round, outcome } }: { readonly group: GroupView }) {
  if (!round || !outcome) return null;
  return (
    <p className="border-hair border-l pl-5 text-[15px]">
      {outcome.open > 0
        ? "Whoever does not get there in the check, and whoever was away, is proposed for another round here, with another approach."
        : "Nobody has to go round again. Archive the group when it is done; what came of it stays."}
    </p>
  );
}
