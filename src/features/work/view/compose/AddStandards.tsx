"use client";
import { useState } from "react";
import { codesNamed } from "@/core/library/codesNamed";
import type { ComposeView } from "../../types";
import { BOX } from "./look";

const MOST_SHOWN = 12;

interface Offer {
  readonly key: string;
  readonly words: string;
  readonly note: string;
  readonly ids: readonly string[];
}

/** Adds skills by name or code, whole strands, or a pasted list of codes. Arrows and Enter choose. */
export function AddStandards({
  view,
  chosen,
  add,
}: {
  readonly view: ComposeView;
  readonly chosen: readonly string[];
  readonly add: (ids: readonly string[]) => void;
}) {
  const [find, setFind] = useState("");
  const [isOpen, setOpen] = useState(false);
  const [at, setAt] = useState(0);
  const offers = isOpen ? offersFor(view, chosen, find) : [];
  const take = (offer: Offer | undefined) => {
    if (!offer) return;
    add(offer.ids);
    setFind("");
    setAt(0);
    setOpen(false);
  };
  return (
    <div className="relative mt-2 text-[15px]">
      <input
        role="combobox"
        aria-expanded={offers.length > 0}
        aria-controls="standards-offered"
        aria-activedescendant={offers[at] ? `offer-${at}` : undefined}
        aria-label="Add a standard, a strand, or several codes"
        placeholder="Add a standard, a strand, or several codes"
        autoComplete="off"
        className={`${BOX} w-full`}
        value={find}
        onFocus={() => setOpen(true)}
        onClick={() => setOpen(true)}
        onBlur={() => setOpen(false)}
        onChange={(event) => {
          setFind(event.target.value);
          setOpen(true);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown") setAt(Math.min(offers.length - 1, at + 1));
          else if (event.key === "ArrowUp") setAt(Math.max(0, at - 1));
          else if (event.key === "Enter") take(offers[at]);
          else if (event.key === "Escape") setOpen(false);
          else return;
          event.preventDefault();
        }}
      />
      {offers.length > 0 ? (
        <div
          id="standards-offered"
          role="listbox"
          aria-label="Standards to add"
          className="bg-paper border-ink absolute z-20 mt-px max-h-80 w-full overflow-y-auto border-[1.5px]"
        >
          {offers.map((offer, place) => (
            <div
              key={offer.key}
              id={`offer-${place}`}
              role="option"
              aria-selected={place === at}
              tabIndex={-1}
              className={`cursor-pointer px-2 py-1 ${place === at ? "bg-bank" : ""}`}
              onMouseDown={(event) => {
                event.preventDefault();
                take(offer);
              }}
              onMouseEnter={() => setAt(place)}
            >
              {offer.words} <span className="text-mute text-[14px]">{offer.note}</span>
            </div>
          ))}
        </div>
      ) : null}
    </div>
  );
}

function offersFor({ skills }: ComposeView, chosen: readonly string[], find: string): Offer[] {
  const open = skills.filter(({ id }) => !chosen.includes(id));
  const { named, unknown } = codesNamed(
    find,
    skills.flatMap(({ codes }) => codes),
  );
  if (named.length > 1) {
    const byCode = open.filter(({ codes }) => codes.some((code) => named.includes(code)));
    const note = unknown.length === 0 ? "" : `not known: ${unknown.join(", ")}`;
    if (byCode.length > 0)
      return [{ key: "codes", words: `${byCode.length} by their codes`, note, ids: byCode.map(({ id }) => id) }];
  }
  const wanted = find.trim().toLocaleLowerCase();
  const strands = [...new Set(open.map(({ strand }) => strand))]
    .filter((strand) => wanted !== "" && strand.toLocaleLowerCase().includes(wanted))
    .flatMap((strand): Offer[] => {
      // Of a strand that runs over many grades, those in the plan.
      const own = open.filter((one) => one.strand === strand);
      const planned = own.filter((one) => one.planned);
      const ids = (planned.length > 0 ? planned : own).map(({ id }) => id);
      const note = planned.length > 0 ? `${ids.length} skills of the plan` : `${ids.length} skills`;
      return [{ key: `strand ${strand}`, words: `All of ${strand}`, note, ids }];
    });
  const matching = open
    .filter(({ name, codes }) => `${name} ${codes.join(" ")}`.toLocaleLowerCase().includes(wanted))
    .map(({ id, name, code, codes, grade, planned }): Offer => {
      // Found by a code of another framework, that one is named: a crosswalk leads here.
      const isOwn = wanted === "" || `${name} ${code}`.toLocaleLowerCase().includes(wanted);
      const other = isOwn ? undefined : codes.find((one) => one.toLocaleLowerCase().includes(wanted));
      return {
        key: id,
        words: name,
        note: [code, other ? `by ${other}` : "", `grade ${grade}`, planned ? "in the plan" : ""]
          .filter(Boolean)
          .join(", "),
        ids: [id],
      };
    });
  return [...strands, ...matching].slice(0, MOST_SHOWN);
}
