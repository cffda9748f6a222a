"use client";
import { useState } from "react";
import { WordEdit } from "@/ui/primitives/WordEdit";
import type { Facet } from "../finderQuery";
import type { FacetValue } from "../itemTypes";

/** With so many values, one is found by typing. */
const MANY = 12;

/** A word of the search sentence: what is looked for, with how many items there are of each. */
export function FacetWord({
  facet,
  none,
  values,
  choose,
}: {
  readonly facet: Facet;
  /** What the word is while nothing is chosen. */
  readonly none: string;
  readonly values: readonly FacetValue[];
  readonly choose: (values: readonly string[]) => void;
}) {
  const [find, setFind] = useState("");
  const chosen = values.filter(({ isChosen }) => isChosen);
  const word =
    chosen.length === 0
      ? none
      : chosen.length <= 2
        ? chosen.map(({ words }) => words).join(" or ")
        : `${chosen.length} of ${values.length}`;
  const wanted = find.trim().toLocaleLowerCase();
  return (
    <WordEdit word={word} label={facet}>
      <fieldset className="max-h-80 w-72 overflow-y-auto">
        <legend className="sr-only">{facet}</legend>
        {values.length > MANY ? (
          <input
            aria-label={`Find among ${values.length}`}
            placeholder={`Find among ${values.length}`}
            className="border-hair mb-1 w-full border-b bg-transparent px-1 py-1"
            value={find}
            onChange={(event) => setFind(event.target.value)}
          />
        ) : null}
        {values
          .filter(({ words }) => words.toLocaleLowerCase().includes(wanted))
          .map(({ value, words, items, isChosen }) => (
            <label key={value} className="flex items-baseline gap-2 py-0.5">
              <input
                type="checkbox"
                className="accent-ink"
                checked={isChosen}
                onChange={() =>
                  choose([
                    ...chosen.filter((one) => one.value !== value).map((one) => one.value),
                    ...(isChosen ? [] : [value]),
                  ])
                }
              />
              <span className="flex-1">{words}</span>
              <span className="text-mute tabular-nums">{items.toLocaleString("en")}</span>
            </label>
          ))}
        {values.length === 0 ? <p className="text-mute">Nothing found says anything of it.</p> : null}
        {chosen.length > 0 ? (
          <button type="button" className="mt-1 underline underline-offset-3" onClick={() => choose([])}>
            {none}
          </button>
        ) : null}
      </fieldset>
    </WordEdit>
  );
}
