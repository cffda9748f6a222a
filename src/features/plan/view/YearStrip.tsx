"use client";
import { type PointerEvent, useRef, useState } from "react";
import type { PlanSlotView, PlanView } from "../types";
import type { ChangeSlot } from "./changeSlot";
import { spanWords } from "./spanWords";

/** Narrower blocks have no room for their number, or for their title. */
const NUMBER_FROM_PERCENT = 2.2;
const TITLE_FROM_PERCENT = 9;
const DAY_MILLISECONDS = 86_400_000;

/** The whole year as a band: each slot on its days, months above it, terms beneath, and today. A slot is chosen from it, and stretched by its end. */
export function YearStrip({
  view: { slots, year, className },
  chosen,
  choose,
  change,
}: {
  readonly view: PlanView;
  readonly chosen: PlanSlotView | undefined;
  readonly choose: (slotId: string) => void;
  /** Null for those who look on. */
  readonly change: ChangeSlot | null;
}) {
  const band = useRef<HTMLDivElement>(null);
  const [pulled, setPulled] = useState<{ readonly slotId: string; readonly last: number } | null>(null);
  const dated = slots.flatMap((slot, place) => (slot.span ? [{ slot, place, span: slot.span }] : []));
  const [first] = dated;
  const last = dated.at(-1);
  if (!first || !last || dated.length < 2) return null;
  const [from, to] = [first.span.from, Math.max(...dated.map(({ span }) => span.to)) + 1];
  const at = (day: number) => `${(100 * (day - from)) / (to - from)}%`;
  const dayUnder = ({ clientX }: PointerEvent) => {
    const { left = 0, width = 1 } = band.current?.getBoundingClientRect() ?? {};
    return Math.round(from + ((clientX - left) / width) * (to - from)) - 1;
  };
  const pull = (slot: PlanSlotView, last: number) => {
    setPulled(null);
    const untilDay = isoOf(last);
    if (change && last !== slot.span?.to)
      change(slot, { what: "change", values: { untilDay } }, `“${slot.title}” lasts until ${wordsOf(last)}.`);
  };
  const isIn = (day: number) => day >= from && day <= to;
  return (
    <section aria-label={`The year of ${className}`} className="mb-5 max-w-6xl text-[13px]">
      <div className="relative h-5" aria-hidden>
        {monthsBetween(from, to).map(({ day, name }) => (
          <span
            key={day}
            className="border-hair text-mute absolute top-0 bottom-0 border-l pl-1"
            style={{ left: at(day) }}
          >
            {name}
          </span>
        ))}
      </div>
      <div ref={band} className="relative h-9">
        {dated.map(({ slot, place, span }) => {
          const end = pulled?.slotId === slot.id ? Math.max(span.from, pulled.last) : span.to;
          const percent = (100 * (end + 1 - span.from)) / (to - from);
          const words = `${place + 1}. ${slot.title}${slot.days ? `, ${spanWords(slot.days)}` : ""}${stateOf(slot).words}`;
          return (
            <button
              key={slot.id}
              type="button"
              title={words}
              aria-label={words}
              aria-pressed={slot === chosen}
              onClick={() => choose(slot.id)}
              className={`border-paper absolute top-0 bottom-0 overflow-hidden border-r-2 text-left ${stateOf(slot).colour} ${slot === chosen ? "outline-ink z-10 outline-2" : ""}`}
              style={{ left: at(span.from), width: `${percent}%` }}
            >
              {percent >= NUMBER_FROM_PERCENT ? (
                <span className="block truncate px-1 leading-9">
                  {place + 1}
                  {percent >= TITLE_FROM_PERCENT ? `. ${slot.title}` : ""}
                </span>
              ) : null}
            </button>
          );
        })}
        {change
          ? dated.map(({ slot, span }) => {
              const isPulled = pulled?.slotId === slot.id;
              const end = isPulled ? Math.max(span.from, pulled.last) : span.to;
              return (
                // By keys a slot is lengthened in its row.
                <span
                  key={slot.id}
                  aria-hidden
                  data-end={slot.title}
                  title="Pull to change its last day"
                  className="absolute top-0 bottom-0 z-20 -ml-1.5 w-2.5 cursor-ew-resize touch-none"
                  style={{ left: at(end + 1) }}
                  onPointerDown={(event) => {
                    event.currentTarget.setPointerCapture(event.pointerId);
                    setPulled({ slotId: slot.id, last: span.to });
                  }}
                  onPointerMove={(event) => (isPulled ? setPulled({ slotId: slot.id, last: dayUnder(event) }) : null)}
                  onPointerUp={() => (isPulled ? pull(slot, Math.max(span.from, pulled.last)) : null)}
                  onPointerCancel={() => setPulled(null)}
                >
                  {isPulled ? (
                    <span className="bg-ink text-paper absolute -top-6 right-0 px-1 whitespace-nowrap">
                      until {wordsOf(end)}
                    </span>
                  ) : null}
                </span>
              );
            })
          : null}
        {isIn(year.today) ? (
          <i
            aria-hidden
            title="today"
            className="bg-ink pointer-events-none absolute -top-1 -bottom-1 z-20 w-[2px]"
            style={{ left: at(year.today) }}
          />
        ) : null}
      </div>
      <div className="relative h-5" aria-hidden>
        {year.terms.map((term) => {
          const [begins, ends] = [Math.max(from, term.from), Math.min(to, term.to + 1)];
          return ends > begins ? (
            <span
              key={term.id}
              className="border-ink text-mute absolute top-1 truncate border-t-2 pl-1"
              style={{ left: at(begins), width: `${(100 * (ends - begins)) / (to - from)}%` }}
            >
              {term.name}
            </span>
          ) : null;
        })}
      </div>
    </section>
  );
}

const dateOf = (day: number) => new Date(day * DAY_MILLISECONDS);
const isoOf = (day: number): string => dateOf(day).toISOString().slice(0, 10);
const wordsOf = (day: number): string =>
  dateOf(day).toLocaleDateString("en-GB", { day: "numeric", month: "short", timeZone: "UTC" });

/** How much of it is there; extras and tests stand apart, and what lies ahead is pale. */
function stateOf({ kind, counted, skills, place }: PlanSlotView): { readonly colour: string; readonly words: string } {
  if (kind === "work") return { colour: "bg-ink text-paper", words: "" };
  if (kind === "text" || !counted) return { colour: "bg-[var(--gauge)]", words: "" };
  const reached = skills.filter((skill) => skill.reached).length;
  const words = `: ${reached} of ${skills.length} skills reached`;
  if (reached === skills.length) return { colour: "bg-[var(--level-2)] text-paper", words };
  if (reached > 0) return { colour: "bg-[var(--level-1)]", words };
  return { colour: place === "ahead" ? "bg-bank" : "bg-[var(--level-0)]", words };
}

/** The first days of the months from one day to another, the first day itself included. */
function monthsBetween(from: number, to: number) {
  const months: { day: number; name: string }[] = [];
  for (let day = from; day < to; day++) {
    const date = dateOf(day);
    if (date.getUTCDate() !== 1 && day !== from) continue;
    // A month's last days are too narrow for its name.
    if (day === from && date.getUTCDate() > 20) continue;
    months.push({ day, name: date.toLocaleDateString("en", { month: "short", timeZone: "UTC" }) });
  }
  return months;
}
