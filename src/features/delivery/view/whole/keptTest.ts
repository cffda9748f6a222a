import { serverTime } from "@/client/serverClock";
import type { SittingView } from "../../types";
import type { PartValues } from "../items/controls";

/** A test as it stands on this device: for a page that is opened again without a connection, when it comes as it was at first. */
interface KeptTest {
  readonly all: Readonly<Record<string, PartValues>>;
  readonly answered: readonly string[];
  readonly flagged: readonly string[];
}

const nameOf = (personId: string, sittingId: string) => `oxbow-test ${personId} ${sittingId}`;

/**
 * What this device kept of a test, unless the page that the server made is newer: then another device may have gone on. While something of it
 * waits to be sent it is what the student gave last, whenever the page was made.
 */
export function keptTest(personId: string, { sittingId, serverNow }: SittingView, isWaiting: boolean): KeptTest | null {
  try {
    const { at, ...kept } = JSON.parse(localStorage.getItem(nameOf(personId, sittingId)) ?? "null") ?? { at: 0 };
    return isWaiting || at > serverNow ? (kept as KeptTest) : null;
  } catch {
    return null;
  }
}

/** Keeps a test as it stands; once it is handed in, nothing of it. */
export function keepTest(
  personId: string,
  sittingId: string,
  kept: KeptTest,
  handedIn: "no" | "sending" | "yes",
): void {
  try {
    if (handedIn === "yes") localStorage.removeItem(nameOf(personId, sittingId));
    else localStorage.setItem(nameOf(personId, sittingId), JSON.stringify({ at: serverTime(), ...kept }));
  } catch {
    // A device that keeps nothing still sends what is answered.
  }
}
