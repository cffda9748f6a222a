"use client";
import { useEffect, useState } from "react";
import { moved } from "../../draftWorth";
import { lockedWritten } from "../../limits";
import type { BestGroups, DraftGroup, SuggestionView } from "../../suggestTypes";

/** How far the search for better groups is; "asked" while it runs, "failed" where the server could not be reached. */
export type Search = "asked" | "failed" | BestGroups["quality"];

export interface Drafts {
  readonly groups: readonly DraftGroup[];
  readonly locked: ReadonlySet<string>;
  readonly search: Search;
  /** Better groups came while the teacher was moving students: they are offered, not put in their place. */
  readonly offered: boolean;
  readonly moves: number;
  move(studentId: string, toKey: string | null): void;
  undo(): void;
  lock(key: string): void;
  /** Makes the groups that are not locked anew. */
  recompute(): void;
  takeOffered(): void;
}

/** The groups on the page: found at once, then the best ones from the server, then as the teacher moves them. */
export function useDrafts(view: SuggestionView, address: string): Drafts {
  const searched = view.limits.purpose === "need" && view.contradiction === null;
  /** As the teacher left them; null as long as nobody was moved. */
  const [own, setOwn] = useState<readonly DraftGroup[] | null>(null);
  const [best, setBest] = useState<readonly DraftGroup[] | null>(null);
  const [past, setPast] = useState<readonly (readonly DraftGroup[])[]>([]);
  const [locked, setLocked] = useState<ReadonlySet<string>>(new Set());
  const [search, setSearch] = useState<Search>(searched ? "asked" : "greedy");
  const [asked, setAsked] = useState({ turn: 0, kept: "" });
  useEffect(() => {
    if (!searched) return;
    const aborted = new AbortController();
    setSearch("asked");
    const { turn, kept } = asked;
    fetch(`/api/groups?${address}${kept ? `&locked=${encodeURIComponent(kept)}` : ""}`, { signal: aborted.signal })
      .then(async (response) => {
        if (!response.ok) throw new Error("refused");
        const found = (await response.json()) as BestGroups;
        setSearch(found.quality);
        setBest(found.groups);
        // What was asked for anew takes the place of what the teacher left.
        if (turn > 0) setOwn(null);
      })
      .catch(() => {
        if (!aborted.signal.aborted) setSearch("failed");
      });
    return () => aborted.abort();
  }, [address, searched, asked]);
  const groups = own ?? best ?? view.groups;
  const change = (next: readonly DraftGroup[]) => {
    setPast([...past, groups]);
    setOwn(next);
  };
  return {
    groups,
    locked,
    search,
    offered: own !== null && best !== null && locked.size === 0 && written(best) !== written(own),
    moves: past.length,
    move: (studentId, toKey) => change(moved(groups, studentId, toKey)),
    undo: () => {
      const last = past.at(-1);
      if (!last) return;
      setPast(past.slice(0, -1));
      setOwn(last);
    },
    lock: (key) =>
      setLocked((now) => {
        const next = new Set(now);
        if (!next.delete(key)) next.add(key);
        return next;
      }),
    recompute: () => {
      setPast([...past, groups]);
      const kept = groups.flatMap(({ key, skillId, studentIds }) =>
        locked.has(key) && skillId !== null ? [{ skillId, studentIds }] : [],
      );
      setAsked({ turn: asked.turn + 1, kept: lockedWritten(kept) });
    },
    takeOffered: () => {
      if (best !== null) change(best);
    },
  };
}

const written = (groups: readonly DraftGroup[]): string =>
  groups
    .map(({ key, studentIds }) => [key, ...[...studentIds].sort()].join())
    .sort()
    .join(";");
