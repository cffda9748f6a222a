"use client";
import { useState } from "react";
import { type ModelSetting, numberIn } from "@/core/manipulatives/modelSetting";
import { ModelButton, Stepper } from "./Stepper";

const MOST = 12;

/** Rows and columns of dots: change how many, turn it, or cut it in two after some columns. */
export function ArrayModel({ setting }: { readonly setting: ModelSetting }) {
  const [rows, setRows] = useState(Math.min(MOST, numberIn(setting, "rows", 3)));
  const [columns, setColumns] = useState(Math.min(MOST, numberIn(setting, "columns", 5)));
  const [layers, setLayers] = useState(numberIn(setting, "layers", 1));
  const [cut, setCut] = useState(Math.min(numberIn(setting, "filled", 0), MOST));
  const hasLayers = "layers" in setting;
  const step = 30;
  const after = Math.min(cut, columns);
  return (
    <div>
      <svg
        viewBox={`0 0 ${MOST * step + 20} ${rows * step + 10}`}
        className="mx-auto w-full max-w-lg"
        role="img"
        aria-label={`${rows} rows of ${columns}`}
      >
        {Array.from({ length: rows * columns }, (_, at) => at).map((at) => {
          const [row, column] = [Math.floor(at / columns), at % columns];
          return (
            <circle
              key={at}
              cx={column * step + 20 + (after > 0 && column >= after ? 12 : 0)}
              cy={row * step + 18}
              r={10}
              fill={column < after ? "#4E9C9A" : "#E3CFA4"}
              stroke="#14232B"
            />
          );
        })}
      </svg>
      <p className="text-center text-[18px]" aria-live="polite">
        {rows} × {columns}
        {hasLayers ? ` × ${layers}` : ""} = <b>{rows * columns * layers}</b>
        {after > 0 && after < columns
          ? ` = ${rows} × ${after} + ${rows} × ${columns - after} = ${rows * after} + ${rows * (columns - after)}`
          : ""}
      </p>
      <div className="mt-2 flex flex-wrap justify-center gap-3">
        <Stepper label="rows" value={rows} low={1} high={MOST} set={setRows} />
        <Stepper label="columns" value={columns} low={1} high={MOST} set={setColumns} />
        {hasLayers ? <Stepper label="layers" value={layers} low={1} high={MOST} set={setLayers} /> : null}
        <Stepper label="before the cut" value={after} low={0} high={columns} set={setCut} />
        <ModelButton
          press={() => {
            setRows(columns);
            setColumns(rows);
            setCut(0);
          }}
        >
          turn it
        </ModelButton>
      </div>
    </div>
  );
}
