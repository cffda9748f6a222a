"use client";
import { type DBSchema, type IDBPDatabase, openDB } from "idb";

/** A message that must reach the server; kept until it has. `order` is the order of writing. */
export interface OutboxEntry<Message> {
  readonly key: string;
  readonly personId: string;
  readonly order: number;
  readonly message: Message;
}

interface Shape extends DBSchema {
  messages: { key: string; value: OutboxEntry<unknown> };
}

let opening: Promise<IDBPDatabase<Shape>> | null = null;
/** What this page holds because the device would not: a private window, storage forbidden or full. */
const inPage = new Map<string, OutboxEntry<unknown>>();

function database(): Promise<IDBPDatabase<Shape>> {
  opening ??= openDB<Shape>("oxbow-outbox", 1, {
    upgrade: (db) => {
      db.createObjectStore("messages", { keyPath: "key" });
    },
  });
  // A refusal must not stand for ever: permission or room may come.
  opening.catch(() => {
    opening = null;
  });
  return opening;
}

/** Where a message was kept: on the device, where it outlives the page, or only in the page. */
export type KeptWhere = "device" | "page";

/** Keeps a message; the same key again replaces it. */
export async function keepMessage<Message>(entry: OutboxEntry<Message>): Promise<KeptWhere> {
  try {
    await (await database()).put("messages", entry);
    inPage.delete(entry.key);
    return "device";
  } catch {
    inPage.set(entry.key, entry);
    return "page";
  }
}

export async function forgetMessage(key: string): Promise<void> {
  inPage.delete(key);
  try {
    await (await database()).delete("messages", key);
  } catch {
    // What could not be kept on the device needs no forgetting there.
  }
}

async function onDevice(): Promise<readonly OutboxEntry<unknown>[]> {
  try {
    return await (await database()).getAll("messages");
  } catch {
    return [];
  }
}

let lastOrder = 0;

/** Where a message stands that is written now: behind everything that waits, whatever the clocks say. */
export async function nextOrder(personId: string, now: number): Promise<number> {
  const waiting = await waitingMessages(personId);
  lastOrder = Math.max(now, lastOrder + 1, (waiting.at(-1)?.order ?? 0) + 1);
  return lastOrder;
}

/** One person's waiting messages, oldest first; on a shared laptop everybody sends only their own. */
export async function waitingMessages<Message>(personId: string): Promise<OutboxEntry<Message>[]> {
  const all = [...(await onDevice()), ...inPage.values()];
  return all.filter((entry) => entry.personId === personId).sort((x, y) => x.order - y.order) as OutboxEntry<Message>[];
}

/** Whether this device can keep messages at all. */
export async function canKeep(): Promise<boolean> {
  try {
    await database();
    return true;
  } catch {
    return false;
  }
}
