"use client";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { repairCellsAction, setMakeClassesAction } from "../actions";
import type { FaultView, ImportView } from "../types";

const keyOf = ({ file, row, column, sentence }: FaultView) => `${file} ${row} ${column} ${sentence}`;
const canRepair = ({ row, column }: FaultView) => row !== null && row > 1 && column !== null;

/** Rows that can't be taken, each with what is wrong and a field to type it anew. */
export function ImportFaults({ view }: { readonly view: ImportView }) {
  const run = useRun(undoAction);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const { draftId } = view;
  const textOf = (fault: FaultView) => typed[keyOf(fault)] ?? fault.suggestion ?? fault.value;
  const repair = (faults: readonly FaultView[]) => {
    const cells = faults.filter(canRepair).map((fault) => ({
      file: fault.file,
      row: fault.row,
      column: fault.column,
      text: textOf(fault),
    }));
    run(
      () => repairCellsAction({ draftId, cells }),
      null,
      () => setTyped({}),
    );
  };
  const suggested = view.faults.filter((fault) => canRepair(fault) && fault.suggestion !== null);
  const edited = view.faults.filter((fault) => canRepair(fault) && typed[keyOf(fault)] !== undefined);
  const noClass =
    view.kind === "sheet" && view.className === null && view.faults.some(({ code }) => code === "no-class");
  return (
    <section aria-labelledby="faults" className="mb-5">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 id="faults" className="text-clay font-serif text-[19px] font-medium">
          {view.faultCount.toLocaleString("en-GB")} {view.faultCount === 1 ? "row" : "rows"} to mend
        </h2>
        <div className="flex flex-wrap gap-2">
          {noClass ? (
            <Button disabled={run.busy} onClick={() => run(() => setMakeClassesAction({ draftId, make: true }), null)}>
              Make the classes that are missing
            </Button>
          ) : null}
          {suggested.length > 1 ? (
            <Button disabled={run.busy} onClick={() => repair(suggested)}>
              Use all {suggested.length} suggestions
            </Button>
          ) : null}
          {edited.length > 1 ? (
            <Button disabled={run.busy} onClick={() => repair(edited)}>
              Use what I typed in {edited.length} rows
            </Button>
          ) : null}
        </div>
      </div>
      <p className="text-mute mb-1">
        These rows are left out unless they are mended here; the file itself stays as it is.
      </p>
      <table className="w-full">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            {view.kind === "package" ? <th className="w-40 py-1 font-normal">File</th> : null}
            <th className="w-14 py-1 font-normal">Row</th>
            <th className="w-44 font-normal">Column</th>
            <th className="w-[22rem] font-normal">What it says</th>
            <th className="font-normal">What is wrong</th>
          </tr>
        </thead>
        <tbody>
          {view.faults.map((fault) => (
            <tr key={keyOf(fault)} className="border-hair border-t align-top">
              {view.kind === "package" ? <td className="py-1.5">{fault.file}</td> : null}
              <td className="py-1.5">{fault.row ?? ""}</td>
              <td className="py-1.5 pr-3">{fault.column ?? ""}</td>
              <td className="py-1 pr-3">
                {canRepair(fault) ? (
                  <form
                    className="flex gap-1.5"
                    onSubmit={(event) => {
                      event.preventDefault();
                      repair([fault]);
                    }}
                  >
                    <input
                      className={`${FIELD} min-w-0 flex-1`}
                      aria-label={`Row ${fault.row}, ${fault.column}`}
                      value={textOf(fault)}
                      onChange={(event) => setTyped({ ...typed, [keyOf(fault)]: event.target.value })}
                    />
                    <Button type="submit" disabled={run.busy || textOf(fault) === fault.value}>
                      Use
                    </Button>
                  </form>
                ) : (
                  <span className="text-mute break-words">{fault.value}</span>
                )}
              </td>
              <td className="py-1.5">
                {fault.sentence}
                {fault.suggestion !== null && typed[keyOf(fault)] === undefined ? (
                  <span className="text-mute"> It says “{fault.value}”; this is likely meant.</span>
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {view.faultCount > view.faults.length ? (
        <p className="text-mute mt-1">
          The first {view.faults.length} are shown. So many are easier mended in the file itself; choose it again
          afterwards.
        </p>
      ) : null}
    </section>
  );
}
