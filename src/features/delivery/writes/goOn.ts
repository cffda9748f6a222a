import "server-only";
import { drawItem, orderOf } from "@/core/items/drawItem";
import { chooseNext, chooseReserve } from "@/core/work/chooseNext";
import { mostItems, type PickedItem } from "@/core/work/partSituation";
import type { SittingItemRow } from "@/db/queries/sittings";
import { Refusal } from "@/server/runtime/refusal";
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
  const version = run.versions.get(versionId);
  if (!version) throw new Refusal("not-found", "This item is not in the library.");
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
    optionOrder: orderOf(drawItem(version, seed, { context })),
    tries: 0,
    earned: null,
    possible: null,
    tryFrom: null,
    hints: 0,
  };
}

/** Places by the order in which the items stand. */
function inPlaces(run: Run, items: readonly SittingItemRow[]): Run {
  return withItems(
    run,
    items.map((item, place) => (item.place === place ? item : { ...item, place })),
  );
}
