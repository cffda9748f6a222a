import "server-only";
import { LRUCache } from "lru-cache";
import type { Runtime } from "./runtime";

/** Keys of one kind that are kept at most; who was not asked for longest goes first. */
const MOST_KEPT = 500;

/**
 * Something that is read once for each key and kept in this process until a commit touches one of the tables that it is made
 * of, whoever writes them. What failed to load is not kept.
 */
export function kept<Value>(
  tables: readonly string[],
  load: (runtime: Runtime, key: string) => Promise<Value>,
): (runtime: Runtime, key: string) => Promise<Value> {
  const stores = new WeakMap<object, LRUCache<string, Promise<Value>>>();
  const storeOf = ({ db }: Runtime): LRUCache<string, Promise<Value>> => {
    const known = stores.get(db);
    if (known) return known;
    const store = new LRUCache<string, Promise<Value>>({ max: MOST_KEPT });
    stores.set(db, store);
    db.onCommit((touched) => {
      if (tables.some((table) => touched.has(table))) store.clear();
    });
    return store;
  };
  return (runtime, key) => {
    const store = storeOf(runtime);
    const known = store.get(key);
    if (known) return known;
    const loading = load(runtime, key);
    store.set(key, loading);
    loading.catch(() => {
      if (store.peek(key) === loading) store.delete(key);
    });
    return loading;
  };
}
