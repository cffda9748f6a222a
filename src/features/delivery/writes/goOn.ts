import "server-only";
import { orderOf } from "@/core/items/itemOrder";
import { shuffled } from "@/core/numeric/shuffled";
import { chooseNext, chooseReserve } from "@/core/work/chooseNext";
import { mostItems, type PickedItem } from "@/core/work/partSituation";
import type { SittingItemRow } from "@/db/queries/sittings";
import { newSittingItem } from "@/server/classroom/newRun";
import type { Runtime } from "@/server/runtime/runtime";
import { type Run, withItems } from "../reads/run";
import { RESERVE_ITEMS } from "../reads/sittingView";

/**
 * Opens the next item, unless one is open or the end is reached, and fills the reserve; nothing is stored yet. A student
 * without a connection sees the reserve in its order, whatever would fit better: `inOrder` opens what they see.
 */
export function goOn(runtime: Runtime, run: Run, { inOrder }: { readonly inOrder: boolean } = { inOrder: false }): Run {
  const { conductor } = run;
  if (conductor.standsWhole && run.items.length === 0) return withAll(runtime, run);
  if (conductor.end(run.situation).done) return run;
  const opened = run.items.some(({ state }) => state === "open") ? run : withNextOpen(runtime, run, inOrder);
  const { situation, items } = opened;
  const count = (state: SittingItemRow["state"]) => items.filter((item) => item.state === state).length;
  const wanted = Math.min(RESERVE_ITEMS, mostItems(situation) - count("done") - 1) - count("reserve");
  const further =
    wanted > 0 && conductor.looksAhead && !conductor.standsWhole
      ? chooseReserve(conductor, situation, wanted, runtime.random)
      : [];
  return inPlaces(opened, [...items, ...further.map((item) => newItem(runtime, run, item, "reserve"))]);
}

/**
 * All items of a run that stands whole, in the order of the form or in one of the student's own. Where it is handed in whole, all are open; else the
 * first, and the others wait in their order.
 */
function withAll(runtime: Runtime, run: Run): Run {
  const { conductor, situation } = run;
  const chosen = chooseReserve(conductor, situation, mostItems(situation), runtime.random);
  const inOwnOrder = situation.settings.shuffle === true ? shuffled(chosen, runtime.random) : chosen;
  const isWhole = conductor.isHandedInWhole(situation.settings);
  const items = inOwnOrder.map((item, place) => {
    const isOpen = isWhole || place === 0;
    const made = newItem(runtime, run, item, isOpen ? "open" : "reserve");
    return isOpen ? { ...made, tryFrom: runtime.now() } : made;
  });
  return inPlaces(run, items);
}

function withNextOpen(runtime: Runtime, run: Run, inOrder: boolean): Run {
  const first = inOrder ? run.items.find(({ state }) => state === "reserve") : undefined;
  const waits = run.conductor.standsWhole ? run.items.find(({ state }) => state === "reserve") : undefined;
  const next = first ?? waits ?? chooseNext(run.conductor, run.situation, runtime.random);
  if (!next) return run;
  const known = run.items.find(({ id }) => "id" in next && id === next.id);
  const fresh = known ? { ...known, state: "open" as const } : newItem(runtime, run, next, "open");
  const shown = { ...fresh, tryFrom: runtime.now() };
  // What is shown now stands after all that was shown before, also when it comes from the reserve.
  const before = run.items.filter(({ state }) => state !== "reserve");
  const reserve = run.items.filter(({ state, id }) => state === "reserve" && id !== shown.id);
  return withItems(run, [...before, shown, ...reserve]);
}

function newItem(runtime: Runtime, run: Run, item: PickedItem, state: "open" | "reserve"): SittingItemRow {
  const { itemId, versionId, seed, context } = item;
  const optionOrder = orderOf(run.drawer.draw({ versionId, seed, context, optionOrder: null }));
  return { itemId, ...newSittingItem(runtime, item, { sittingId: run.sitting.id, place: 0, state, optionOrder }) };
}

/** Where items in reserve stand: behind all that is shown, so that showing one moves no other. */
const RESERVE_PLACE = 1_000_000;

/** Places by the order in which the items stand; what has its place keeps it. */
function inPlaces(run: Run, items: readonly SittingItemRow[]): Run {
  let reserve = Math.max(RESERVE_PLACE, ...items.map(({ state, place }) => (state === "reserve" ? place + 1 : 0)));
  return withItems(
    run,
    items.map((item, order) => {
      const kept = item.state === "reserve" && item.place >= RESERVE_PLACE;
      const place = item.state !== "reserve" ? order : kept ? item.place : reserve++;
      return item.place === place ? item : { ...item, place };
    }),
  );
}
