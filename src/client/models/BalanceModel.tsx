"use client";
import { useState } from "react";
import {
  type Balance,
  type BalanceMove,
  type BalanceSide,
  balanceSide,
  balanceSolution,
  sideAfter,
} from "@/core/manipulatives/balance";
import type { ModelSetting } from "@/core/manipulatives/modelSetting";
import { ModelButton } from "./Stepper";
import { writeValue } from "./writeValue";

type Pans = "both" | "left" | "right";
const TILT = 9;

/** A balance for an equation: what is done to both pans keeps it level, what is done to one tips it. */
export function BalanceModel({ setting }: { readonly setting: ModelSetting }) {
  const start: Balance = { left: balanceSide(String(setting.left ?? "x")), right: balanceSide(String(setting.right)) };
  const [balance, setBalance] = useState(start);
  const [pans, setPans] = useState<Pans>("both");
  const unknown = balanceSolution(start) ?? 0;
  const weightOf = ({ unknowns, ones }: BalanceSide) => unknowns * unknown + ones;
  const lean = Math.sign(weightOf(balance.right) - weightOf(balance.left)) * TILT;
  const after = (move: BalanceMove): Balance | null => {
    const left = pans === "right" ? balance.left : sideAfter(balance.left, move);
    const right = pans === "left" ? balance.right : sideAfter(balance.right, move);
    return left && right ? { left, right } : null;
  };
  const move = (label: string, what: BalanceMove) => {
    const next = after(what);
    return (
      <ModelButton key={label} disabled={next === null} press={() => next && setBalance(next)}>
        {label}
      </ModelButton>
    );
  };
  return (
    <div>
      <svg viewBox="0 0 640 220" className="w-full" role="img" aria-label={said(balance, lean)}>
        <path d="M 320 70 L 296 208 H 344 Z" fill="#E3CFA4" stroke="currentColor" />
        <g transform={`rotate(${lean} 320 70)`}>
          <line x1={110} x2={530} y1={70} y2={70} stroke="currentColor" strokeWidth={5} />
          <Pan x={170} side={balance.left} lean={lean} />
          <Pan x={470} side={balance.right} lean={lean} />
        </g>
      </svg>
      <p className="text-center text-[20px]" aria-live="polite">
        {write(balance.left)} <b>{lean === 0 ? "=" : lean > 0 ? "<" : ">"}</b> {write(balance.right)}
      </p>
      <fieldset className="mt-2 flex flex-wrap items-center justify-center gap-3 text-[16px]">
        <legend className="sr-only">Where</legend>
        {(["both", "left", "right"] as const).map((where) => (
          <label key={where} className="flex min-h-11 items-center gap-1.5">
            <input type="radio" name="pans" checked={pans === where} onChange={() => setPans(where)} />
            {where === "both" ? "both pans" : `the ${where} one only`}
          </label>
        ))}
      </fieldset>
      <div className="mt-1 flex flex-wrap justify-center gap-1.5">
        {move("take 1", { kind: "take-ones", count: 1 })}
        {move("take 5", { kind: "take-ones", count: 5 })}
        {move("take x", { kind: "take-unknown" })}
        {[2, 3, 4, 5, 6].map((by) => move(`share by ${by}`, { kind: "share", by }))}
        <ModelButton press={() => setBalance(start)}>start again</ModelButton>
      </div>
    </div>
  );
}

const write = ({ unknowns, ones }: BalanceSide): string => {
  const letters = unknowns === 0 ? "" : `${unknowns === 1 ? "" : unknowns}x`;
  if (letters === "") return writeValue(ones);
  return ones === 0 ? letters : `${letters} ${ones < 0 ? "−" : "+"} ${writeValue(Math.abs(ones))}`;
};

const said = ({ left, right }: Balance, lean: number) =>
  `Balance with ${write(left)} and ${write(right)}, ${lean === 0 ? "level" : lean > 0 ? "the right pan is lower" : "the left pan is lower"}`;

function Pan({ x, side, lean }: { readonly x: number; readonly side: BalanceSide; readonly lean: number }) {
  const things = [
    ...Array.from({ length: Math.min(side.unknowns, 8) }, () => "x"),
    ...Array.from({ length: Math.min(Math.max(side.ones, 0), 30) }, () => ""),
  ];
  return (
    <g transform={`rotate(${-lean} ${x} 70)`}>
      <path d={`M ${x} 70 L ${x - 92} 168 H ${x + 92} Z`} fill="none" stroke="currentColor" />
      <rect x={x - 100} y={168} width={200} height={8} fill="currentColor" />
      {things.map((thing, at) => {
        const [column, row] = [at % 9, Math.floor(at / 9)];
        return (
          <g key={at} transform={`translate(${x - 84 + column * 19} ${150 - row * 18})`}>
            <rect width={16} height={16} fill={thing ? "#1F5673" : "#A9C5A0"} stroke="#14232B" />
            {thing ? (
              <text x={8} y={12.5} textAnchor="middle" fontSize={12} fill="#FBF8F2">
                x
              </text>
            ) : null}
          </g>
        );
      })}
    </g>
  );
}
