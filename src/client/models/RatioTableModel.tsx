"use client";
import { useState } from "react";
import { type ModelSetting, numbersIn, textsIn } from "@/core/manipulatives/modelSetting";
import { ModelButton } from "./Stepper";
import { writeValue } from "./writeValue";

const MOST_COLUMNS = 7;

/** A ratio table: new columns come from the last one by multiplying or dividing both numbers, or by adding two columns. */
export function RatioTableModel({ setting }: { readonly setting: ModelSetting }) {
  const rows = textsIn(setting, "rows", ["", ""]);
  const first = numbersIn(setting, "first", [2, 3]);
  const [columns, setColumns] = useState([{ values: first, how: "" }]);
  const last = columns.at(-1)?.values ?? first;
  const before = columns.at(-2)?.values;
  const add = (values: readonly number[], how: string) => setColumns([...columns, { values, how }]);
  const isFull = columns.length >= MOST_COLUMNS;
  return (
    <div>
      <table className="mx-auto text-[18px] tabular-nums">
        <tbody>
          {rows.map((name, row) => (
            <tr key={name}>
              <th scope="row" className="pr-3 text-left font-normal">
                {name}
              </th>
              {columns.map(({ values }, place) => (
                <td key={place} className="border-hair min-w-16 border px-3 py-2 text-center">
                  {writeValue(values[row] ?? 0)}
                </td>
              ))}
            </tr>
          ))}
          <tr className="text-mute text-[14px]">
            <th scope="row" className="text-left font-normal">
              how
            </th>
            {columns.map(({ how }, place) => (
              <td key={place} className="text-center">
                {how}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <div className="mt-3 flex flex-wrap justify-center gap-1.5">
        {[2, 3, 5, 10].map((factor) => (
          <ModelButton
            key={factor}
            disabled={isFull}
            press={() =>
              add(
                last.map((value) => value * factor),
                `× ${factor}`,
              )
            }
          >
            × {factor}
          </ModelButton>
        ))}
        {[2, 3, 5].map((divisor) => (
          <ModelButton
            key={divisor}
            disabled={isFull}
            press={() =>
              add(
                last.map((value) => value / divisor),
                `÷ ${divisor}`,
              )
            }
          >
            ÷ {divisor}
          </ModelButton>
        ))}
        <ModelButton
          disabled={isFull || !before}
          press={() =>
            add(
              last.map((value, row) => value + (before?.[row] ?? 0)),
              "sum",
            )
          }
        >
          add the last two
        </ModelButton>
        <ModelButton disabled={columns.length === 1} press={() => setColumns(columns.slice(0, -1))}>
          take back
        </ModelButton>
      </div>
    </div>
  );
}
