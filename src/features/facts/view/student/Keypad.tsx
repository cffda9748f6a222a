"use client";
import { useEffect } from "react";

const DIGITS = ["1", "2", "3", "4", "5", "6", "7", "8", "9"] as const;
const MOST_DIGITS = 4;

const KEY = "border-ink bg-field min-h-14 border-[1.5px] text-[24px] font-semibold active:bg-bank";

/** Digits by touch, mouse or keyboard; a key that is held down counts once. */
export function Keypad({
  value,
  set,
  enter,
}: {
  readonly value: string;
  readonly set: (value: string) => void;
  readonly enter: () => void;
}) {
  const add = (digit: string) => {
    if (value.length < MOST_DIGITS) set(value === "0" ? digit : value + digit);
  };
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      if (/^\d$/.test(event.key)) add(event.key);
      else if (event.key === "Backspace") set(value.slice(0, -1));
      else if (event.key === "Enter" && !(event.target instanceof HTMLButtonElement)) enter();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
  return (
    <fieldset className="grid w-full max-w-[330px] grid-cols-3 gap-2" aria-label="Keypad">
      {DIGITS.map((digit) => (
        <button key={digit} type="button" className={KEY} onClick={() => add(digit)}>
          {digit}
        </button>
      ))}
      <button
        type="button"
        className={KEY}
        aria-label="Take back the last digit"
        onClick={() => set(value.slice(0, -1))}
      >
        ⌫
      </button>
      <button type="button" className={KEY} onClick={() => add("0")}>
        0
      </button>
      <button
        type="button"
        className="border-ink bg-ink text-paper min-h-14 border-[1.5px] text-[22px] font-semibold disabled:opacity-50"
        disabled={value === ""}
        onClick={enter}
      >
        OK
      </button>
    </fieldset>
  );
}
