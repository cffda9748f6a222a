"use client";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";

/** A place along a line: a whole number of steps from 0 to `last`. */
interface HandleProps {
  readonly x: number;
  readonly y: number;
  readonly place: number;
  readonly last: number;
  /** Distance of two places on the drawing. */
  readonly step: number;
  readonly label: string;
  /** How the place is said. */
  readonly said: string;
  readonly move: (place: number) => void;
  readonly upright?: boolean;
  readonly colour?: string;
}

const KEYS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 5,
  PageDown: -5,
};

/** A point to drag along a line, by pointer or by arrow keys. */
export function Handle({ x, y, place, last, step, label, said, move, upright, colour = "#1F5673" }: HandleProps) {
  const from = useRef<{ readonly at: number; readonly place: number } | null>(null);
  const within = (wanted: number) => Math.max(0, Math.min(last, Math.round(wanted)));
  const along = (event: PointerEvent<SVGGElement>) => {
    const scale = event.currentTarget.ownerSVGElement?.getScreenCTM()?.a ?? 1;
    return (upright ? -event.clientY : event.clientX) / scale;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.key === "Home" ? -last : event.key === "End" ? last : KEYS[event.key];
    if (by === undefined) return;
    event.preventDefault();
    move(within(place + by));
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={last}
      aria-valuenow={place}
      aria-valuetext={said}
      className="cursor-grab touch-none outline-offset-4"
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { at: along(event), place };
      }}
      onPointerMove={(event) => {
        if (from.current) move(within(from.current.place + (along(event) - from.current.at) / step));
      }}
      onPointerUp={() => {
        from.current = null;
      }}
    >
      <circle cx={x} cy={y} r={22} fill="transparent" />
      <circle cx={x} cy={y} r={11} fill={colour} stroke="#FBF8F2" strokeWidth={2} />
    </g>
  );
}
