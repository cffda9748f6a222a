"use client";
import { forgetMessage, keepMessage, waitingMessages } from "@/client/outbox/outbox";
import { serverTime } from "@/client/serverClock";

/** A lesson that was read, as the browser keeps it; the key makes sending it twice harmless. */
export interface LessonVisit {
  readonly key: string;
  /** Null for a lesson that was looked up by itself. */
  readonly sittingId: string | null;
  readonly skillId: string;
  /** By the server's clock, as the browser reckons it. */
  readonly openedAt: number;
  readonly milliseconds: number;
  /** From the first to the last move of the model. */
  readonly modelMilliseconds: number;
  readonly modelMoves: number;
}

/** Visits wait beside a person's answers, and never hold one up. */
const queueOf = (personId: string) => `lessons of ${personId}`;

/** Keeps a visit on the device and sends what waits. */
export async function tellVisit(personId: string, visit: LessonVisit): Promise<void> {
  await keepMessage({ key: visit.key, personId: queueOf(personId), order: visit.openedAt, message: visit });
  await sendVisits(personId);
}

/** Sends the visits that wait; those that do not get through wait on. */
export async function sendVisits(personId: string): Promise<void> {
  for (const { key, message } of await waitingMessages<LessonVisit>(queueOf(personId))) {
    if (!(await isDealtWith(message))) return;
    await forgetMessage(key);
  }
}

async function isDealtWith({ openedAt, ...visit }: LessonVisit): Promise<boolean> {
  try {
    const response = await fetch("/api/lessons", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ ...visit, agoMilliseconds: Math.max(0, serverTime() - openedAt) }),
      // The page may be left while it is under way.
      keepalive: true,
    });
    return response.status < 500 && response.status !== 401;
  } catch {
    return false;
  }
}
