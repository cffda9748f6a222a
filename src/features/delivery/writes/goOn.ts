import "server-only";
import { orderOf } from "@/core/items/itemOrder";
import { chooseNext, chooseReserve } from "@/core/work/chooseNext";
import { mostItems, type PickedItem } from "@/core/work/partSituation";
import type { SittingItemRow } from "@/db/queries/sittings";
import type { Runtime } from "@/server/runtime/runtime";
import { parametersIn, type Run, withItems } from "../reads/run";

/** Items held ready in the browser for a lost connection. */
const RESERVE_ITEMS = 4;

/**
 * Opens the next item, unless one is open or the end is reached, and fills the reserve; nothing is stored yet. A student
 * without a connection sees the reserve in its order, whatever would fit better: `inOrder` opens what they see.
 */
export function goOn(runtime: Runtime, run: Run, { inOrder }: { readonly inOrder: boolean } = { inOrder: false }): Run {
  const { conductor } = run;
  if (conductor.end(run.situation).done) return run;
  const opened = run.items.some(({ state }) => state === "open") ? run : withNextOpen(runtime, run, inOrder);
  const { situation, items } = opened;
  const count = (state: SittingItemRow["state"]) => items.filter((item) => item.state === state).length;
  const wanted = Math.min(RESERVE_ITEMS, mostItems(situation) - count("done") - 1) - count("reserve");
  const further = wanted > 0 ? chooseReserve(conductor, situation, wanted, runtime.random) : [];
  return inPlaces(opened, [...items, ...further.map((item) => newItem(runtime, run, item, "reserve"))]);
}

function withNextOpen(runtime: Runtime, run: Run, inOrder: boolean): Run {
  const first = inOrder ? run.items.find(({ state }) => state === "reserve") : undefined;
  const next = first ?? chooseNext(run.conductor, run.situation, (item) => parametersIn(run, item), runtime.random);
  if (!next) return run;
  const known = run.items.find(({ id }) => "id" in next && id === next.id);
  const fresh = known ? { ...known, state: "open" as const } : newItem(runtime, run, next, "open");
  const shown = { ...fresh, tryFrom: runtime.now() };
  // What is shown now stands after all that was shown before, also when it comes from the reserve.
  const before = run.items.filter(({ state }) => state !== "reserve");
  const reserve = run.items.filter(({ state, id }) => state === "reserve" && id !== shown.id);
  return withItems(run, [...before, shown, ...reserve]);
}

function newItem(
  runtime: Runtime,
  run: Run,
  { skillId, itemId, versionId, seed, context }: PickedItem,
  state: "open" | "reserve",
): SittingItemRow {
  return {
    id: runtime.newId(),
    sittingId: run.sitting.id,
    place: 0,
    state,
    skillId,
    itemId,
    versionId,
    seed,
    context,
    optionOrder: orderOf(run.drawer.draw({ versionId, seed, context, optionOrder: null })),
    tries: 0,
    earned: null,
    possible: null,
    tryFrom: null,
    hints: 0,
  };
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
