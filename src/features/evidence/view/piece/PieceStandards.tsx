"use client";
import type { TableSheet } from "@/formats/table/tableSheet";
import { ChartFrame } from "@/ui/charts/ChartFrame";
import { ShareBar } from "@/ui/charts/ShareBar";
import type { PieceView } from "../../pieceTypes";
import { TableFile } from "../parts/Files";
import { SheetTable } from "../parts/SheetTable";
import { Who } from "../parts/Who";

/** The same answers by what they are about. */
export function PieceStandards({ view, sheet }: { readonly view: PieceView; readonly sheet: TableSheet | undefined }) {
  const nameOf = new Map(view.students.map(({ id, name }) => [id, name]));
  return (
    <ChartFrame
      question="What was right, by standard?"
      good="Share right at the first try; the thin line is how far luck alone could move it."
      chart={
        <ul className="text-[14px]">
          {view.standards.map(({ id, code, words, items, skillId, right, noneRight }) => (
            <li
              key={id}
              className="border-hair grid grid-cols-[minmax(0,1fr)_11rem_6.5rem] items-center gap-3 border-t py-1"
            >
              <span className="min-w-0 truncate" title={words}>
                {code ? <b className="font-semibold">{code}</b> : null} {words}
              </span>
              <ShareBar share={right} words={`${right.n} answers to ${items} ${items === 1 ? "item" : "items"}`} />
              <Who
                students={noneRight.map((one) => ({ id: one, name: nameOf.get(one) ?? "" }))}
                skillId={skillId}
                what={`had nothing right in ${code || words}`}
              >
                {noneRight.length === 0 ? "all some right" : `${noneRight.length} none right`}
              </Who>
            </li>
          ))}
        </ul>
      }
      table={sheet ? <SheetTable sheet={sheet} /> : null}
    >
      <TableFile report="pieces" table="Standards" of={{ work: view.id }} />
    </ChartFrame>
  );
}
