import "server-only";
import { LRUCache } from "lru-cache";
import { type DrawnItem, drawItem } from "@/core/items/drawItem";
import type { ItemVersion } from "@/core/items/itemBody";
import { type ItemOrder, inOrder } from "@/core/items/itemOrder";
import { versionsById } from "@/db/queries/library";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { asVersion } from "./shelf";

/** Which item somebody was shown. */
export interface ItemRef {
  readonly versionId: string;
  readonly seed: number;
  readonly context: string;
  readonly optionOrder: ItemOrder | null;
}

const MOST_VERSIONS = 1_000;
const MOST_DRAWN = 4_000;

/** Versions never change once they are ready, so neither do the items drawn from them: nothing here ever grows stale. */
interface Kept {
  readonly versions: LRUCache<string, ItemVersion>;
  readonly drawn: LRUCache<string, DrawnItem>;
}
const keptOf = new WeakMap<object, Kept>();

function storeOf({ db }: Runtime): Kept {
  const known = keptOf.get(db);
  if (known) return known;
  const fresh = {
    versions: new LRUCache<string, ItemVersion>({ max: MOST_VERSIONS }),
    drawn: new LRUCache<string, DrawnItem>({ max: MOST_DRAWN }),
  };
  keptOf.set(db, fresh);
  return fresh;
}

/** Versions by their ids; those that the library does not hold are missing. */
export async function versionsOf(runtime: Runtime, ids: Iterable<string>): Promise<ReadonlyMap<string, ItemVersion>> {
  const { versions } = storeOf(runtime);
  const wanted = [...new Set(ids)];
  const missing = wanted.filter((id) => !versions.has(id));
  const found = new Map((await versionsById(runtime.db.read, missing)).map((row) => [row.id, asVersion(row)]));
  for (const [id, version] of found) versions.set(id, version);
  return new Map(
    wanted.flatMap((id) => {
      const version = found.get(id) ?? versions.get(id);
      return version ? [[id, version] as const] : [];
    }),
  );
}

/** What draws some items, each as it was shown: their versions are read first, the drawing itself waits for nothing. */
export interface Drawer {
  readonly draw: (ref: ItemRef) => DrawnItem;
  /** Null when the library does not hold the item any more, which must not stop the others. */
  readonly drawIfKnown: (ref: ItemRef) => DrawnItem | null;
}

export async function drawerOf(runtime: Runtime, versionIds: Iterable<string>): Promise<Drawer> {
  return drawerWith(runtime, await versionsOf(runtime, versionIds));
}

/** The same with versions that are at hand. */
export function drawerWith(runtime: Runtime, versions: ReadonlyMap<string, ItemVersion>): Drawer {
  const { drawn } = storeOf(runtime);
  const draw = ({ versionId, seed, context, optionOrder }: ItemRef): DrawnItem => {
    const version = versions.get(versionId);
    if (!version) throw new Refusal("not-found", "This item is not in the library.");
    const key = `${versionId}#${seed}#${context}`;
    const item = drawn.get(key) ?? drawItem(version, seed, context);
    drawn.set(key, item);
    return inOrder(item, optionOrder);
  };
  return {
    draw,
    drawIfKnown: (ref) => {
      try {
        return draw(ref);
      } catch {
        // Whatever is wrong with what is stored of one item, the others are shown.
        return null;
      }
    },
  };
}
