"use client";
import { useState } from "react";
import { type ModelSetting, textsIn } from "@/core/manipulatives/modelSetting";
import { ModelButton } from "./Stepper";

/** A rectangle in parts: each part shows its product when it is chosen, and what is shown is summed up. */
export function AreaModel({ setting }: { readonly setting: ModelSetting }) {
  const across = textsIn(setting, "across", ["6"]);
  const up = textsIn(setting, "up", ["4"]);
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const cells = up.flatMap((high) => across.map((wide) => ({ id: `${wide} ${high}`, wide, high })));
  const toggle = (id: string) => setOpen(new Set(open.has(id) ? [...open].filter((one) => one !== id) : [...open, id]));
  const shown = cells.filter(({ id }) => open.has(id));
  const isNumeric = cells.every(({ wide, high }) => Number.isFinite(Number(wide)) && Number.isFinite(Number(high)));
  const half = setting.half === true;
  const sum = shown.reduce((total, { wide, high }) => total + Number(wide) * Number(high), 0);
  const words = shown.map(({ wide, high }) => productOf(wide, high)).join(" + ");
  return (
    <div className="mx-auto max-w-xl">
      <div
        className="grid"
        style={{ gridTemplateColumns: `3rem ${across.map((wide) => `minmax(5rem, ${weight(wide)}fr)`).join(" ")}` }}
      >
        <span />
        {across.map((wide) => (
          <span key={wide} className="pb-1 text-center font-semibold">
            {wide}
          </span>
        ))}
        {up.map((high) => (
          <Row key={high} high={high} across={across} open={open} toggle={toggle} half={half} />
        ))}
      </div>
      <p className="mt-3 min-h-7 text-center text-[17px]" aria-live="polite">
        {shown.length === 0 ? "Choose a part to see its product." : words}
        {shown.length > 0 && isNumeric ? (
          <>
            {" = "}
            <b>{half ? `${sum}, and half of it ${sum / 2}` : sum}</b>
          </>
        ) : null}
      </p>
      <p className="text-center">
        <ModelButton press={() => setOpen(open.size === cells.length ? new Set() : new Set(cells.map(({ id }) => id)))}>
          {open.size === cells.length ? "hide all" : "show all"}
        </ModelButton>
      </p>
    </div>
  );
}

function Row({
  high,
  across,
  open,
  toggle,
  half,
}: {
  readonly high: string;
  readonly across: readonly string[];
  readonly open: ReadonlySet<string>;
  readonly toggle: (id: string) => void;
  readonly half: boolean;
}) {
  return (
    <>
      <span className="flex items-center justify-end pr-2 font-semibold">{high}</span>
      {across.map((wide) => {
        const id = `${wide} ${high}`;
        return (
          <button
            key={id}
            type="button"
            aria-pressed={open.has(id)}
            aria-label={`${high} times ${wide}`}
            onClick={() => toggle(id)}
            className="border-ink relative border-2 text-[18px]"
            style={{
              minHeight: `${Math.max(3.5, Math.min(7, weight(high) / 4))}rem`,
              background: half ? "linear-gradient(to top right, #A9C5A0 50%, #FBF8F2 50%)" : "#F3EBDA",
            }}
          >
            {open.has(id) ? productOf(wide, high) : "?"}
          </button>
        );
      })}
    </>
  );
}

/** Long sides are drawn longer, though not in full proportion: a part of 4 beside one of 300 has to be seen. */
const weight = (side: string): number => 4 + Math.sqrt(Math.abs(Number.parseFloat(side)) || 6) * 4;

function productOf(wide: string, high: string): string {
  const [x, y] = [Number(wide), Number(high)];
  if (Number.isFinite(x) && Number.isFinite(y)) return String(x * y);
  const [, digits = "1", letter = ""] = /^(-?\d*)([a-z]?)$/.exec(wide) ?? [];
  const count = (digits === "" ? 1 : Number(digits)) * y;
  return `${count}${letter}`.replace("-", "−");
}
