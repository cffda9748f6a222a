import "server-only";
import { LRUCache } from "lru-cache";
import { countedAmong, stateOfTables } from "@/db/queries/tableRevisions";
import type { Runtime } from "./runtime";

/** Keys of one kind that are kept at most unless stated; who was not asked for longest goes first. */
const MOST_KEPT = 500;
/** How long another process's change of settings or content may go unseen. */
const LOOK_EVERY_MILLISECONDS = 1_000;

interface Store<Value> {
  readonly values: LRUCache<string, Promise<Value>>;
  /** The state of the counted tables when it was looked at last. */
  state: string;
  /** On the process's own clock, which nobody sets back. */
  lookedAt: number;
  /** How often everything was forgotten. */
  generation: number;
}

type Load<Value> = (runtime: Runtime, key: string) => Promise<Value>;

export interface KeptStore<Value> {
  get(runtime: Runtime, key: string): Promise<Value>;
  /** A word for how things stand, to be taken before reading what a value is worked out from. */
  generation(runtime: Runtime): number;
  /** Keeps a value that somebody worked out, unless everything was forgotten since that generation. */
  put(runtime: Runtime, key: string, value: Value, generation: number): void;
  forget(runtime: Runtime, key: string): void;
}

/**
 * Something that is read once for each key and kept in this process until a commit touches one of the tables that it is made
 * of, whoever writes them. What other processes write is seen within a second where the table is a counted one (settings,
 * content). What failed to load is not kept.
 */
export function keptStore<Value>(
  tables: readonly string[],
  load: Load<Value>,
  { most = MOST_KEPT, milliseconds = 0 }: { readonly most?: number; readonly milliseconds?: number } = {},
): KeptStore<Value> {
  const stores = new WeakMap<object, Store<Value>>();
  const counted = countedAmong(tables);
  const storeOf = ({ db }: Runtime): Store<Value> => {
    const known = stores.get(db);
    if (known) return known;
    const store = {
      values: new LRUCache<string, Promise<Value>>({ max: most, ttl: milliseconds }),
      state: "",
      lookedAt: Number.NEGATIVE_INFINITY,
      generation: 0,
    };
    stores.set(db, store);
    db.onCommit((touched) => {
      if (tables.some((table) => touched.has(table))) clear(store);
    });
    return store;
  };
  const look = async ({ db }: Runtime, store: Store<Value>): Promise<void> => {
    store.lookedAt = performance.now();
    const state = await stateOfTables(db.read, counted);
    if (state !== store.state) clear(store);
    store.state = state;
  };
  return {
    get: async (runtime, key) => {
      const store = storeOf(runtime);
      if (counted.length > 0 && performance.now() - store.lookedAt > LOOK_EVERY_MILLISECONDS)
        await look(runtime, store);
      const known = store.values.get(key);
      if (known) return known;
      const loading = load(runtime, key);
      store.values.set(key, loading);
      loading.catch(() => {
        if (store.values.peek(key) === loading) store.values.delete(key);
      });
      return loading;
    },
    generation: (runtime) => storeOf(runtime).generation,
    put: (runtime, key, value, generation) => {
      const store = storeOf(runtime);
      if (store.generation === generation) store.values.set(key, Promise.resolve(value));
    },
    forget: (runtime, key) => void storeOf(runtime).values.delete(key),
  };
}

function clear<Value>(store: Store<Value>): void {
  store.values.clear();
  store.generation++;
}

/** The same for what is only ever read. */
export function kept<Value>(tables: readonly string[], load: Load<Value>, most: number = MOST_KEPT): Load<Value> {
  return keptStore(tables, load, { most }).get;
}
