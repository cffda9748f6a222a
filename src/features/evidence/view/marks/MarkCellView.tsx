"use client";
import { useRouter } from "next/navigation";
import { Popover } from "radix-ui";
import { useRun } from "@/client/useRun";
import { reachesCut } from "@/core/measurement/reachesCut";
import { rational } from "@/core/numeric/rational";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { sayNoughtAction } from "../../actions";
import type { MarkCell, MarkColumn, MarkRow } from "../../marksTypes";
import { cellWords, percentOf } from "../../sheets/markSheets";

const SHORT: Readonly<Record<MarkCell["state"], string>> = {
  marked: "",
  excused: "excused",
  absent: "absent",
  none: "none",
  nought: "0",
  open: "open",
  "to-score": "to score",
};

/** One mark: below the line in bold, further tries and lateness small; what was not handed in can be counted as nought. */
export function MarkCellView({
  cell,
  row,
  column,
  line,
  mayChange,
}: {
  readonly cell: MarkCell | null;
  readonly row: MarkRow;
  readonly column: MarkColumn | undefined;
  readonly line: number;
  readonly mayChange: boolean;
}) {
  if (!cell || !column) return <td className="text-mute px-2 text-right">·</td>;
  const shown = cell.state === "marked" ? `${percentOf(cell.mark)} %` : SHORT[cell.state];
  const isBelow = cell.state === "marked" && cell.mark !== null && !reachesCut(rational(cell.mark), line);
  const words = [
    `${row.name}, ${column.title}: ${cell.state === "marked" ? shown : cellWords(cell)}`,
    ...(cell.tries > 1 ? [`first try ${percentOf(cell.first)} %, best ${percentOf(cell.best)} %`] : []),
    ...(cell.late ? ["late"] : []),
  ].join("; ");
  const inside = (
    <>
      {shown}
      {cell.tries > 1 ? <sup className="text-mute">{cell.tries}</sup> : null}
      {cell.late ? <span className="text-mute text-[12px]"> late</span> : null}
    </>
  );
  const canSay = mayChange && (cell.state === "none" || cell.state === "nought");
  return (
    <td
      className={`px-2 text-right whitespace-nowrap tabular-nums ${isBelow ? "font-bold" : ""} ${cell.state === "marked" ? "" : "text-mute"}`}
    >
      {canSay ? <Nought cell={cell} row={row} column={column} words={words} /> : <span title={words}>{inside}</span>}
    </td>
  );
}

function Nought(props: {
  readonly cell: MarkCell;
  readonly row: MarkRow;
  readonly column: MarkColumn;
  readonly words: string;
}) {
  const { cell, row, column, words } = props;
  const router = useRouter();
  const run = useRun(undoAction);
  const counts = cell.state !== "nought";
  return (
    <Popover.Root>
      <Popover.Trigger className="decoration-hair underline underline-offset-3" title={words} aria-label={words}>
        {SHORT[cell.state]}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          className="bg-paper border-ink z-50 w-72 border-[1.5px] p-3 text-[14px] shadow-lg"
        >
          <p>
            {counts
              ? "Not handed in. It is left out of the average until you say otherwise."
              : "Counts as nought, because it was not handed in."}
          </p>
          <Button
            className="mt-2"
            disabled={run.busy}
            onClick={() =>
              run(
                () => sayNoughtAction({ assignmentId: column.workId, studentIds: [row.id], counts }),
                counts ? `Counts as nought for ${row.name}.` : `Left out of the average of ${row.name} again.`,
                () => router.refresh(),
              )
            }
          >
            {counts ? "Count it as nought" : "Leave it out again"}
          </Button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
