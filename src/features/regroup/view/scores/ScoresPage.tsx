"use client";
import { format, parseISO } from "date-fns";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { removeOutsideScoresAction } from "../../actions";
import type { KeptScores, ScoresView } from "../../scoreTypes";
import { PasteScores } from "./PasteScores";
import { scoreWords } from "./scoreWords";

/** Scores of tests that were taken elsewhere: brought in by pasting, and those that count. */
export function ScoresPage({ view, base }: { readonly view: ScoresView; readonly base: string }) {
  const [kept, setKept] = useState(0);
  return (
    <div className="max-w-[75rem] px-5 py-4">
      <PageHead
        title="Scores from elsewhere"
        sub="A test of last year or of another school says where to begin, until a diagnostic or answers here say more. Only its order counts, so any scale will do; it tells little, and groups say so."
      >
        <ButtonLink href={`${base}/regroup`}>To the groups</ButtonLink>
      </PageHead>
      {view.students.length === 0 ? (
        <p className="text-mute text-[15px]">Nobody is in this class yet. Add students in the roster first.</p>
      ) : (
        <PasteScores key={kept} view={view} done={() => setKept(kept + 1)} />
      )}
      <section aria-labelledby="kept" className="mt-8">
        <h2 id="kept" className="font-serif text-[20px] font-medium">
          Scores that count
        </h2>
        {view.lists.length === 0 ? (
          <p className="text-mute mt-1 text-[15px]">None yet.</p>
        ) : (
          view.lists.map((list) => <Kept key={list.id} list={list} />)
        )}
      </section>
    </div>
  );
}

function Kept({ list }: { readonly list: KeptScores }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const count = list.lines.length;
  return (
    <details className="border-hair mt-2 border-t pt-2 text-[15px]">
      <summary className="cursor-pointer">
        <b>{list.title}</b>, {format(parseISO(list.onDay), "d MMM yyyy")}:{" "}
        {list.columns.map(({ name }) => name).join(", ")}; {count === 1 ? "1 student" : `${count} students`}. Brought in
        by {list.by}.
      </summary>
      <div className="mt-2 overflow-x-auto">
        <table>
          <thead className="text-mute text-left text-[14px]">
            <tr>
              <th className="py-1 pr-8 font-normal">Student</th>
              {list.columns.map(({ key, name }) => (
                <th key={key} className="pr-8 text-right font-normal">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {list.lines.map(({ studentId, name, scores }) => (
              <tr key={studentId} className="border-hair border-t">
                <td className="py-1 pr-8">
                  <SheetLink id={studentId}>{name}</SheetLink>
                </td>
                {list.columns.map(({ key }, place) => (
                  <td key={key} className="pr-8 text-right tabular-nums">
                    {scoreWords(scores[place] ?? null)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Button
        className="mt-2"
        disabled={run.busy}
        onClick={() =>
          run(
            () => removeOutsideScoresAction({ listId: list.id }),
            `The scores of “${list.title}” count no more.`,
            () => router.refresh(),
          )
        }
      >
        Take these scores away
      </Button>
    </details>
  );
}
