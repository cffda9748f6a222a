"use client";
import { useState } from "react";
import { type Blocks, blocksOf, type Trade, traded, worthOf } from "@/core/manipulatives/blocks";
import { type ModelSetting, numbersIn } from "@/core/manipulatives/modelSetting";
import { ModelButton, Stepper } from "./Stepper";
import { writeValue } from "./writeValue";

/** What one small block stands for, by the unit that a setting names. */
const UNITS: Readonly<Record<string, number>> = { tenth: 0.1, hundredth: 0.01 };
const NAMES: Readonly<Record<string, readonly [string, string, string]>> = {
  one: ["hundreds", "tens", "ones"],
  tenth: ["tens", "ones", "tenths"],
  hundredth: ["ones", "tenths", "hundredths"],
};
const MOST = 20;

/** Blocks of a number to add, take away and trade: ten of a kind make one of the next. */
export function BlocksModel({ setting }: { readonly setting: ModelSetting }) {
  const unit = typeof setting.unit === "string" && setting.unit in UNITS ? setting.unit : "one";
  const one = UNITS[unit] ?? 1;
  const names = NAMES[unit] ?? ["hundreds", "tens", "ones"];
  const [first = 0] = numbersIn(setting, "numbers", [0]);
  const start = blocksOf(Math.round(first / one) % 1000);
  const [blocks, setBlocks] = useState<Blocks>(start);
  const trade = (what: Trade, label: string) => {
    const after = traded(blocks, what);
    return (
      <ModelButton disabled={after === null} press={() => after && setBlocks(after)}>
        {label}
      </ModelButton>
    );
  };
  const kinds = [
    { key: "hundreds", name: names[0], cells: 100, side: 52 },
    { key: "tens", name: names[1], cells: 10, side: 52 },
    { key: "ones", name: names[2], cells: 1, side: 8 },
  ] as const;
  return (
    <div>
      <div className="grid grid-cols-3 gap-3">
        {kinds.map(({ key, name }) => (
          <div key={key} className="border-hair flex min-h-40 flex-wrap content-start gap-1.5 border p-2">
            {Array.from({ length: blocks[key] }, (_, at) => at).map((at) => (
              <Block key={at} kind={key} />
            ))}
            <span className="sr-only">
              {blocks[key]} {name}
            </span>
          </div>
        ))}
        {kinds.map(({ key, name }) => (
          <Stepper
            key={key}
            label={name}
            value={blocks[key]}
            low={0}
            high={MOST}
            set={(count) => setBlocks({ ...blocks, [key]: count })}
          />
        ))}
      </div>
      <div className="mt-3 flex flex-wrap justify-center gap-1.5">
        {trade("hundred-to-tens", `open one of the ${names[0]}`)}
        {trade("ten-to-ones", `open one of the ${names[1]}`)}
        {trade("ones-to-ten", `make ten ${names[2]} one`)}
        {trade("tens-to-hundred", `make ten ${names[1]} one`)}
        <ModelButton press={() => setBlocks(start)}>start again</ModelButton>
      </div>
      <p className="mt-2 text-center text-[20px]" aria-live="polite">
        <b>{writeValue(worthOf(blocks) * one)}</b>
      </p>
    </div>
  );
}

/** A hundred as a square, a ten as a stick, a one as a cube. */
function Block({ kind }: { readonly kind: "hundreds" | "tens" | "ones" }) {
  const [wide, high] = kind === "hundreds" ? [10, 10] : kind === "tens" ? [1, 10] : [1, 1];
  return (
    <svg width={wide * 5 + 1} height={high * 5 + 1} aria-hidden="true">
      {Array.from({ length: wide * high }, (_, at) => at).map((at) => (
        <rect
          key={at}
          x={(at % wide) * 5 + 0.5}
          y={Math.floor(at / wide) * 5 + 0.5}
          width={5}
          height={5}
          fill="#A9C5A0"
          stroke="#14232B"
          strokeWidth={0.6}
        />
      ))}
    </svg>
  );
}
