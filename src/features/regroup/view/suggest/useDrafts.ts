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
  const [groups, setGroups] = useState<readonly DraftGroup[]>(view.groups);
  const [past, setPast] = useState<readonly (readonly DraftGroup[])[]>([]);
  const [locked, setLocked] = useState<ReadonlySet<string>>(new Set());
  const [search, setSearch] = useState<Search>("greedy");
  const [best, setBest] = useState<readonly DraftGroup[] | null>(null);
  const [touched, setTouched] = useState(false);
  const [asked, setAsked] = useState(0);
  const [kept, setKept] = useState("");
  const searched = view.limits.purpose === "need" && view.contradiction === null;
  useEffect(() => {
    if (!searched) return;
    const aborted = new AbortController();
    setSearch("asked");
    setBest(null);
    fetch(`/api/groups?${address}${kept ? `&locked=${encodeURIComponent(kept)}` : ""}&turn=${asked}`, {
      signal: aborted.signal,
    })
      .then(async (response) => {
        if (!response.ok) throw new Error("refused");
        const found = (await response.json()) as BestGroups;
        setSearch(found.quality);
        setBest(found.groups);
      })
      .catch(() => {
        if (!aborted.signal.aborted) setSearch("failed");
      });
    return () => aborted.abort();
  }, [address, searched, asked, kept]);
  // What comes from the server takes the place of what was found at once, unless somebody is moving students already.
  useEffect(() => {
    if (best !== null && !touched) setGroups(best);
  }, [best, touched]);
  const isOther = best !== null && touched && written(best) !== written(groups);
  const change = (next: readonly DraftGroup[]) => {
    setPast([...past, groups]);
    setTouched(true);
    setGroups(next);
  };
  return {
    groups,
    locked,
    search,
    offered: isOther && locked.size === 0,
    moves: past.length,
    move: (studentId, toKey) => change(moved(groups, studentId, toKey)),
    undo: () => {
      const last = past.at(-1);
      if (!last) return;
      setPast(past.slice(0, -1));
      setGroups(last);
    },
    lock: (key) =>
      setLocked((now) => {
        const next = new Set(now);
        if (!next.delete(key)) next.add(key);
        return next;
      }),
    recompute: () => {
      setPast([...past, groups]);
      setTouched(false);
      setKept(
        lockedWritten(
          groups.flatMap(({ key, skillId, studentIds }) =>
            locked.has(key) && skillId !== null ? [{ skillId, studentIds }] : [],
          ),
        ),
      );
      setAsked(asked + 1);
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
