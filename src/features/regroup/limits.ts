import type { LockedGroup } from "@/core/grouping/lockedGroups";
import type { GroupHabits } from "@/core/model/reteach";
import { type Focus, type Limits, PURPOSES } from "./suggestTypes";

/** What a class that has said nothing yet is taken to want. */
export const USUAL_HABITS: GroupHabits = {
  times: [
    { slot: "2-2", minutes: 15 },
    { slot: "3-2", minutes: 15 },
    { slot: "4-2", minutes: 15 },
  ],
  smallest: 3,
  largest: 6,
  apart: [],
  together: [],
};

export type Search = Readonly<Record<string, string | string[] | undefined>>;
const FOCUSED = ["strand", "unit", "skill", "mistake"] as const;
const MOST = 40;

const text = (value: Search[string]): string => (typeof value === "string" ? value : "");
const listed = (value: Search[string]): string[] => text(value).split(",").filter(Boolean).slice(0, MOST);

/** The teacher's wishes of this time from the address, beside what the class keeps; anything unusable falls back to what is usual. */
export function limitsFrom(search: Search, habits: GroupHabits = USUAL_HABITS): Limits {
  return {
    ...habits,
    purpose: PURPOSES.find((one) => one === search.for) ?? "need",
    focus: focusFrom(text(search.focus)),
    absent: listed(search.away),
    fixed: listed(search.fixed)
      .map((pair) => pair.split("~"))
      .flatMap(([studentId, skillId]) => (studentId && skillId ? [{ studentId, skillId }] : [])),
  };
}

function focusFrom(written: string): Focus {
  const [on = "", ...rest] = written.split(":");
  const id = rest.join(":");
  const named = FOCUSED.find((one) => one === on);
  if (named && id) return { on: named, id };
  return { on: on === "all" ? "all" : "near" };
}

/** A focus as the address has it; null for the usual one. */
export const focusWritten = (focus: Focus): string | null =>
  "id" in focus ? `${focus.on}:${focus.id}` : focus.on === "near" ? null : focus.on;

/** Groups that are to stay as they are, as an address has them: groups apart by commas, each its skill and its students by tildes. */
export const lockedFrom = (written: string | undefined): LockedGroup[] =>
  listed(written).flatMap((group) => {
    const [skillId, ...studentIds] = group.split("~").slice(0, MOST + 1);
    return skillId && studentIds.length > 0 ? [{ skillId, studentIds }] : [];
  });

/** The same for an address. */
export const lockedWritten = (groups: readonly LockedGroup[]): string =>
  groups.map(({ skillId, studentIds }) => [skillId, ...studentIds].join("~")).join(",");
