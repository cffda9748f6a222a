"use client";
import { useRouter } from "next/navigation";
import { useReading } from "@/client/useReading";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { FileBeingRead, FileRefused } from "@/ui/layout/FileReading";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { stopReadingItemsAction } from "../actions";
import type { ItemImportState } from "../exchangeTypes";
import { BringInDifference } from "./BringInDifference";

/** A file of items from being read to having come in. */
export function BringInPage({
  draftId,
  start,
  base,
}: {
  readonly draftId: string;
  readonly start: ItemImportState;
  readonly base: string;
}) {
  const router = useRouter();
  const run = useRun(undoAction);
  const progress = useReading(start.state === "reading" ? `/api/items/files/${encodeURIComponent(draftId)}` : null);
  const state = start.state === "reading" && progress?.state === "reading" ? progress : start;
  if (state.state === "ready") return <BringInDifference view={state.view} base={base} />;
  const again = `${base}/library/items/bring-in`;
  return (
    <div className="max-w-2xl px-5 py-4 text-[15px]">
      {state.state === "reading" ? (
        <FileBeingRead
          share={state.share}
          words={`${Math.round(state.share * 100)} %, ${state.what}`}
          stop={() =>
            run(
              () => stopReadingItemsAction({ draftId }),
              "Stopped. Nothing was changed.",
              () => router.push(again),
            )
          }
        />
      ) : state.state === "failed" ? (
        <FileRefused title={`${state.fileName} can't be used as it is`} sentences={[state.message]} again={again}>
          <Button onClick={() => router.refresh()}>Read it once more</Button>
        </FileRefused>
      ) : (
        <div>
          <PageHead title={`${state.fileName} came in`} sub={`Into “${state.bank.name}”.`} />
          <div className="flex gap-2">
            <ButtonLink look="main" href={`${base}/library/items?bank=${state.bank.id}&order=newest`}>
              See the items
            </ButtonLink>
            <ButtonLink href={`${base}/history`}>History, to undo it</ButtonLink>
          </div>
        </div>
      )}
    </div>
  );
}
