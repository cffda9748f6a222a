import "server-only";
import { dropTries, forgetOldTries, setTries, triesAt } from "@/db/queries/throttles";
import type { Queryable } from "@/db/queryable";
import { type DoorKind, PACES, stillCounted, type Tries, waitAfter } from "./pace";

export interface Door {
  readonly kind: DoorKind;
  /** Whose door: the person (`personKey`, `emailKey`), and after "|" where the try comes from. */
  readonly key: string;
}

/** A try that was let in, with what stood at the doors before it. */
export interface Reserved {
  readonly at: number;
  readonly before: readonly (Door & { readonly tries: Tries })[];
  /** Further wrong tries before one has to wait. */
  readonly free: number;
  /** Milliseconds to wait after this one, should it be wrong. */
  readonly waitNext: number;
}

/** Old rows that one try takes away with it, so that the table never grows with the years. */
const SWEPT_AT_ONCE = 50;

/**
 * Counts a try as wrong before its secret is looked at, at all doors or at none: of tries side by side no more are let in
 * than one after another. Returns the milliseconds to wait where a door is shut.
 */
export async function reserveTry(
  tx: Queryable,
  doors: readonly Door[],
  now: number,
): Promise<Reserved | { readonly wait: number }> {
  await forgetOldTries(tx, now, SWEPT_AT_ONCE);
  const before: (Door & { tries: Tries })[] = [];
  let wait = 0;
  for (const door of doors) {
    const row = await triesAt(tx, door.kind, door.key);
    // A clock that was set back must not keep a wait that began in what is now the future.
    const tries = { count: row?.count ?? 0, lastAt: Math.min(row?.lastAt ?? now, now) };
    if (row && row.lastAt > now) await keep(tx, door, tries);
    wait = Math.max(wait, tries.lastAt + waitAfter(tries.count, PACES[door.kind]) - now);
    before.push({ ...door, tries });
  }
  if (wait > 0) return { wait };
  const after = before.map(({ tries, ...door }) => ({
    ...door,
    count: stillCounted(tries, PACES[door.kind], now) + 1,
  }));
  for (const { count, ...door } of after) await keep(tx, door, { count, lastAt: now });
  return {
    at: now,
    before,
    free: Math.min(...after.map(({ kind, count }) => Math.max(0, PACES[kind].free - count))),
    waitNext: Math.max(...after.map(({ kind, count }) => waitAfter(count, PACES[kind]))),
  };
}

/** Takes a reserved try back, because its secret was right: it counts against nobody. */
export async function giveBack(tx: Queryable, { at, before }: Reserved): Promise<void> {
  for (const { kind, key, tries } of before) {
    const row = await triesAt(tx, kind, key);
    if (!row) continue;
    // The own device begins anew. Elsewhere only this try goes; another one may have come meanwhile.
    const untouched = row.lastAt === at && row.count === stillCounted(tries, PACES[kind], at) + 1;
    const back = untouched ? tries : { count: row.count - 1, lastAt: row.lastAt };
    await keep(tx, { kind, key }, kind === "device" ? { count: 0, lastAt: at } : back);
  }
}

async function keep(tx: Queryable, { kind, key }: Door, { count, lastAt }: Tries): Promise<void> {
  if (count <= 0) await dropTries(tx, kind, key);
  else await setTries(tx, { kind, key, count, lastAt, forgetAt: lastAt + count * PACES[kind].leak });
}
