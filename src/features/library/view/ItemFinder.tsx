"use client";
import { useRouter, useSearchParams } from "next/navigation";
import { useEffect, useMemo, useRef, useState, useTransition } from "react";
import { useBundle } from "@/client/bundle/bundle";
import { useShortcuts } from "@/client/keys/useShortcuts";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import type { Facet } from "../finderQuery";
import type { FinderView } from "../itemTypes";
import { FacetWord } from "./FacetWord";
import { ItemRow } from "./ItemRow";
import { ItemsChosen } from "./ItemsChosen";
import { LibraryWays } from "./LibraryWays";

const PAUSE_MILLISECONDS = 200;
const ORDERS = {
  best: "best match first",
  newest: "newest first",
  easiest: "easiest first",
  hardest: "hardest first",
  passage: "grouped by passage",
};
const SENTENCE: readonly (readonly [Facet, string, string])[] = [
  ["bank", "in", "every bank open to me"],
  ["grade", "for", "every grade"],
  ["skill", "about", "every skill"],
  ["kind", "in which students", "do anything"],
  ["depth", "at", "any depth"],
  ["language", "in", "any language"],
  ["author", "by", "anybody"],
  ["passage", "on", "any passage or none"],
  ["use", "that were", "answered or not"],
  ["added", "and added", "at any time"],
  ["status", "that are", "in use or drafts"],
];

/** Words of the sentence that no comma follows. */
const UNPARTED: ReadonlySet<Facet> = new Set(["author", "passage", "use", "added", "status"]);

/** Whether there is nothing to choose by: no drafts, or no passages. */
const isIdle = (facet: Facet, { facets }: FinderView): boolean =>
  (facet === "status" && facets.status.every(({ value }) => value === "ready")) ||
  (facet === "added" && facets.added.length < 2 && !facets.added.some(({ isChosen }) => isChosen)) ||
  (facet === "passage" && facets.passage.length === 0);

/** Finds items in all banks that are open to one: a sentence says what is looked for, each word of it can be changed. */
export function ItemFinder({ view, base }: { readonly view: FinderView; readonly base: string }) {
  const router = useRouter();
  const search = useSearchParams();
  const bundle = useBundle();
  const [waiting, start] = useTransition();
  const [words, setWords] = useState(search.get("find") ?? "");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [at, setAt] = useState(0);
  const list = useRef<HTMLUListElement>(null);
  const go = (change: (params: URLSearchParams) => void) => {
    const params = new URLSearchParams(search);
    params.delete("from");
    change(params);
    start(() => router.replace(`${base}/library/items?${params}`, { scroll: false }));
  };
  const set = (name: string, value: string | null) =>
    go((params) => (value ? params.set(name, value) : params.delete(name)));
  useEffect(() => {
    if (words === (search.get("find") ?? "")) return;
    const timer = setTimeout(() => set("find", words || null), PAUSE_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [words]);
  const { items } = view;
  const toggle = (id: string, withShift = false) =>
    setChosen((before) => {
      const next = new Set(before);
      const [from, to] = [
        Math.min(
          at,
          items.findIndex((one) => one.id === id),
        ),
        items.findIndex((one) => one.id === id),
      ];
      const run = withShift ? items.slice(from, to + 1).map((one) => one.id) : [id];
      for (const one of run) before.has(id) ? next.delete(one) : next.add(one);
      return next;
    });
  const move = (by: number) => {
    const place = Math.max(0, Math.min(items.length - 1, at + by));
    setAt(place);
    list.current?.querySelectorAll<HTMLElement>("[data-item-link]")[place]?.focus();
  };
  const shortcuts = useMemo(
    () => ({
      j: () => move(1),
      k: () => move(-1),
      x: () => items[at] && toggle(items[at].id),
      b: () => items[at] && bundle.add([items[at]]),
    }),
    [at, items, bundle.add],
  );
  useShortcuts(shortcuts);
  const isNarrowed = [...search.keys()].some((name) => name !== "order" && name !== "from");
  const picked = items.filter(({ id }) => chosen.has(id));
  return (
    <div className="px-5 py-4">
      <PageHead title="Library" sub="Items of the stock and of every bank that is open to you.">
        <ButtonLink href={`${base}/library/items/bring-in`}>Bring items in</ButtonLink>
        <ButtonLink look="main" href={`${base}/library/items/new`}>
          Write an item
        </ButtonLink>
      </PageHead>
      <LibraryWays base={base} at="items" />
      <search className="mb-3 flex flex-wrap items-baseline gap-x-2 gap-y-1 text-[16px]">
        <label>
          Items with{" "}
          <input
            type="search"
            data-find
            className="border-ink text-ink w-56 border-b bg-transparent px-1 py-0.5"
            placeholder="any words or codes"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
        {SENTENCE.map(([facet, before, none]) =>
          isIdle(facet, view) ? null : (
            <span key={facet}>
              {before}{" "}
              <FacetWord
                facet={facet}
                none={none}
                values={view.facets[facet]}
                choose={(values) => set(facet, values.join("~") || null)}
              />
              {UNPARTED.has(facet) ? "" : ","}
            </span>
          ),
        )}
        {view.standard ? (
          <span>
            for standard <b className="text-ink">{view.standard.code}</b>
          </span>
        ) : null}
        <label>
          <span className="sr-only">Order</span>
          <select
            className="word-edit text-ink bg-transparent"
            value={view.order}
            onChange={(event) => set("order", event.target.value === "best" ? null : event.target.value)}
          >
            {Object.entries(ORDERS).map(([value, said]) => (
              <option key={value} value={value}>
                {said}
              </option>
            ))}
          </select>
        </label>
      </search>
      <p className="mb-2 flex flex-wrap items-baseline gap-x-4 text-[15px]" aria-live="polite">
        <b>
          {view.total === 1 ? "1 item" : `${view.total.toLocaleString("en")} items`}
          {waiting ? " …" : ""}
        </b>
        {isNarrowed ? (
          <button
            type="button"
            className="decoration-hair underline underline-offset-3"
            onClick={() => {
              setWords("");
              start(() => router.replace(`${base}/library/items`, { scroll: false }));
            }}
          >
            Show everything
          </button>
        ) : null}
      </p>
      <ItemsChosen items={picked} banks={view.ownBanks} clear={() => setChosen(new Set())} base={base} />
      {items.length === 0 ? (
        <p className="text-[16px]">
          Nothing says that here. Take a word out of the sentence, or{" "}
          <a className="underline underline-offset-3" href={`${base}/library/items/new`}>
            write the item
          </a>
          .
        </p>
      ) : (
        <ul ref={list} className="max-w-5xl" aria-label="Items found">
          {items.map((item, place) => (
            <ItemRow
              key={item.id}
              item={item}
              base={base}
              isChosen={chosen.has(item.id)}
              choose={(withShift) => {
                toggle(item.id, withShift);
                setAt(place);
              }}
              isGathered={bundle.has(item.id)}
              gather={() => (bundle.has(item.id) ? bundle.remove(item.id) : bundle.add([item]))}
              onFocus={() => setAt(place)}
            />
          ))}
        </ul>
      )}
      <Pages view={view} turn={(from) => go((params) => params.set("from", String(from)))} />
    </div>
  );
}

function Pages({ view, turn }: { readonly view: FinderView; readonly turn: (from: number) => void }) {
  const { from, items, total } = view;
  if (total <= items.length) return null;
  return (
    <p className="mt-3 flex items-center gap-3 text-[15px]">
      <Button disabled={from === 0} onClick={() => turn(Math.max(0, from - 50))}>
        Before
      </Button>
      {from + 1} to {from + items.length} of {total.toLocaleString("en")}
      <Button disabled={from + items.length >= total} onClick={() => turn(from + 50)}>
        After
      </Button>
    </p>
  );
}
