"use client";
import { useRouter } from "next/navigation";
import { useReading } from "@/client/useReading";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { FileBeingRead, FileRefused } from "@/ui/layout/FileReading";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { stopReadingAction } from "../actions";
import type { ImportState } from "../types";
import { ImportDifference } from "./ImportDifference";

/** A roster file from being read to having been applied. */
export function ImportPage({
  draftId,
  start,
  base,
}: {
  readonly draftId: string;
  readonly start: ImportState;
  readonly base: string;
}) {
  const router = useRouter();
  const run = useRun(undoAction);
  const progress = useReading(start.state === "reading" ? `/api/roster/drafts/${encodeURIComponent(draftId)}` : null);
  const state = start.state === "reading" && progress?.state === "reading" ? progress : start;
  if (state.state === "ready") return <ImportDifference view={state.view} base={base} />;
  return (
    <div className="max-w-2xl px-5 py-4 text-[15px]">
      {state.state === "reading" ? (
        <FileBeingRead
          share={state.share}
          words={`${Math.round(state.share * 100)} %, ${state.what}`}
          stop={() =>
            run(
              () => stopReadingAction({ draftId }),
              "Stopped. Nothing was changed.",
              () => router.push(`${base}/roster/import`),
            )
          }
        />
      ) : state.state === "failed" ? (
        <FileRefused
          title="This file can't be used as it is"
          sentences={[state.message]}
          again={`${base}/roster/import`}
        >
          <Button onClick={() => router.refresh()}>Read it once more</Button>
        </FileRefused>
      ) : (
        <div>
          <PageHead
            title={`${state.fileName} was applied`}
            sub={state.className ? `Into ${state.className}.` : "To the whole school."}
          />
          <div className="flex gap-2">
            <ButtonLink look="main" href={`${base}/roster`}>
              To the roster
            </ButtonLink>
            <ButtonLink href={`${base}/history`}>History, to undo it</ButtonLink>
          </div>
        </div>
      )}
    </div>
  );
}
