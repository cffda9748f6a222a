"use client";
import { LEVELS } from "@/core/model/levels";
import { FindField } from "@/ui/primitives/FindField";
import { LEVEL_NAMES } from "@/words/staff/levelNames";
import type { MasteryMapView } from "../../types";
import { COLUMN_ORDERS, type ColumnOrder, groupsOf, splitAt } from "./mapColumns";
import type { MapSort } from "./sortedRows";
import { type MapWords, WHO } from "./useMapWords";

const WHO_NAMES: Readonly<Record<(typeof WHO)[number], string>> = {
  all: "everyone",
  ...(Object.fromEntries(LEVELS.map((level) => [level, LEVEL_NAMES[level]])) as typeof LEVEL_NAMES),
  "too-little": "too little evidence",
};
const ORDER_NAMES: Readonly<Record<ColumnOrder, string>> = {
  plan: "in the plan's order",
  learning: "as they build on one another",
  need: "least mastered first",
};
const SELECT = "word-edit max-w-[14rem] bg-transparent";

/** What the map shows, as a sentence whose words can be changed. */
export function MapSentence({
  view,
  words,
  columnName,
  since,
}: {
  readonly view: MasteryMapView;
  readonly words: MapWords;
  readonly columnName: string;
  /** The day compared with; null for none. */
  readonly since: string | null;
}) {
  const [key, id] = splitAt(words.within);
  const inside = words.by === "skills" ? groupsOf(view, key)?.find((group) => group.id === id) : undefined;
  const set = <T extends string>(to: (value: T) => unknown) => ({
    className: SELECT,
    onChange: (event: { readonly currentTarget: { readonly value: string } }) =>
      void to(event.currentTarget.value as T),
  });
  const regroup = (by: string) => {
    void words.setBy(by === "skills" ? null : by);
    void words.setWithin(null);
    void words.setCell(null);
  };
  return (
    <>
      <label>
        By{" "}
        <select value={words.by} {...set(regroup)}>
          <option value="skills">skill</option>
          {view.groupings.map(({ key: level, name, groups }) => (
            <option key={level} value={level}>
              {name} ({groups.length})
            </option>
          ))}
        </select>
      </label>
      {inside ? (
        <>
          {" "}
          of <b title={inside.title}>{inside.name}</b>{" "}
          <button type="button" className="underline underline-offset-2" onClick={() => void words.setWithin(null)}>
            show all
          </button>
        </>
      ) : null}
      {", "}
      <label>
        <span className="sr-only">Columns </span>
        <select value={words.order} {...set<ColumnOrder>(words.setOrder)}>
          {COLUMN_ORDERS.map((order) => (
            <option key={order} value={order}>
              {ORDER_NAMES[order]}
            </option>
          ))}
        </select>
      </label>
      {"; "}
      <label>
        showing{" "}
        <select value={words.who} {...set<(typeof WHO)[number]>(words.setWho)}>
          {WHO.map((value) => (
            <option key={value} value={value}>
              {WHO_NAMES[value]}
            </option>
          ))}
        </select>
      </label>{" "}
      <label>
        sorted by{" "}
        <select value={words.sort} {...set<MapSort>(words.setSort)}>
          <option value="need">need for {columnName}</option>
          <option value="name">name</option>
          {since ? <option value="change">change since {since}, the least first</option> : null}
        </select>
      </label>{" "}
      <FindField
        label="Find a name"
        placeholder="Find a name"
        className="ml-2 w-32 py-0!"
        value={words.find}
        set={words.setFind}
      />{" "}
    </>
  );
}
