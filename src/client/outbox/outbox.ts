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

function database(): Promise<IDBPDatabase<Shape>> {
  opening ??= openDB<Shape>("oxbow-outbox", 1, {
    upgrade: (db) => {
      db.createObjectStore("messages", { keyPath: "key" });
    },
  });
  return opening;
}

/** Keeps a message; the same key again replaces it. */
export async function keepMessage<Message>(entry: OutboxEntry<Message>): Promise<void> {
  await (await database()).put("messages", entry);
}

export async function forgetMessage(key: string): Promise<void> {
  await (await database()).delete("messages", key);
}

/** One person's waiting messages, oldest first; on a shared laptop everybody sends only their own. */
export async function waitingMessages<Message>(personId: string): Promise<OutboxEntry<Message>[]> {
  const all = await (await database()).getAll("messages");
  return all.filter((entry) => entry.personId === personId).sort((x, y) => x.order - y.order) as OutboxEntry<Message>[];
}
