import "server-only";
import type { Runtime } from "./runtime";

/**
 * Something that is read once for each key and kept in this process until a commit touches one of the tables that it is made
 * of, whoever writes them. What failed to load is not kept.
 */
export function kept<Value>(
  tables: readonly string[],
  load: (runtime: Runtime, key: string) => Promise<Value>,
): (runtime: Runtime, key: string) => Promise<Value> {
  const stores = new WeakMap<object, Map<string, Promise<Value>>>();
  const storeOf = ({ db }: Runtime): Map<string, Promise<Value>> => {
    const known = stores.get(db);
    if (known) return known;
    const store = new Map<string, Promise<Value>>();
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
      if (store.get(key) === loading) store.delete(key);
    });
    return loading;
  };
}
