import type { Limits } from "./types";

const within = (text: string | undefined, low: number, high: number, usual: number) => {
  const number = Number(text);
  return text !== undefined && Number.isInteger(number) && number >= low && number <= high ? number : usual;
};

/** The teacher's limits from the address; anything unusable falls back to what is usual. */
export function limitsFrom(search: Readonly<Record<string, string | undefined>>): Limits {
  const smallest = within(search.from, 2, 10, 3);
  const apart = (search.apart ?? "")
    .split(",")
    .map((pair) => pair.split("~"))
    .filter(
      (pair): pair is [string, string] => pair.length === 2 && pair.every((id) => id.length > 0 && id.length < 64),
    );
  return {
    slots: within(search.slots, 1, 8, 3),
    smallest,
    largest: Math.max(smallest, within(search.to, 2, 12, 6)),
    scope: search.scope === "all" ? "all" : "near",
    apart: apart.slice(0, 10),
  };
}
