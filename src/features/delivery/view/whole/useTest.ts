"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { v7 } from "uuid";
import { useActiveTime } from "@/client/activeTime";
import { atInstant } from "@/client/atInstant";
import { keepMessage, nextOrder, waitingMessages } from "@/client/outbox/outbox";
import { serverTime, tellServerTimeOfPage } from "@/client/serverClock";
import type { AnswerMessage, HandInMessage, ItemView, SittingView, WholeView } from "../../types";
import { flushOutbox, reportOf } from "../flushOutbox";
import { emptyValues, type PartValues, problemOf, responseOf, wordsOf } from "../items/controls";
import { type Signs, useSigns } from "../useSigns";
import { keepTest, keptTest } from "./keptTest";

const RETRY_MILLISECONDS = 4000;
/** What is written is sent by itself once nothing has been changed for so long. */
const REST_MILLISECONDS = 1500;
/** What would not fit into a message is not kept for other devices; the answer itself is. */
const MOST_SCREEN_LETTERS = 3000;

/** How an item of the test stands. */
export interface PlaceState {
  readonly answered: boolean;
  readonly flagged: boolean;
}

export interface TestState {
  readonly items: readonly ItemView[];
  readonly place: number;
  readonly values: PartValues;
  readonly states: readonly PlaceState[];
  /** Why what stands on the screen is not taken as an answer; null while nothing is wrong with it. */
  readonly problem: string | null;
  readonly waiting: number;
  readonly connection: "online" | "away" | "signed-out";
  readonly report: string | null;
  /** "sending": handed in here, and not yet at the server. */
  readonly handedIn: "no" | "sending" | "yes";
  readonly endsAt: number | null;
  readonly signs: Signs;
  set(change: (before: PartValues) => PartValues): void;
  go(place: number): void;
  flag(): void;
  handIn(): void;
}

/**
 * A test in the browser in which one goes back and forth. What is answered is written to this device first, then sent; the server keeps it until the
 * whole is handed in. Without a connection everything goes on here, handing in too.
 */
export function useTest(initial: SittingView & { readonly whole: WholeView }, personId: string): TestState {
  const { items, standing } = initial.whole;
  const [all, setAll] = useState<Readonly<Record<string, PartValues>>>(() => valuesAtFirst(items, standing));
  const [answered, setAnswered] = useState<ReadonlySet<string>>(() => new Set(Object.keys(standing)));
  const [flagged, setFlagged] = useState<ReadonlySet<string>>(
    () => new Set(Object.entries(standing).flatMap(([id, one]) => (one.flagged ? [id] : []))),
  );
  /** Whether what this device kept has been looked at: nothing is kept over it before. */
  const [isLookedAt, setLookedAt] = useState(false);
  const [place, setPlace] = useState(() =>
    Math.max(
      0,
      items.findIndex(({ presentationId }) => !(presentationId in standing)),
    ),
  );
  const [problem, setProblem] = useState<string | null>(null);
  const [waiting, setWaiting] = useState(0);
  const [connection, setConnection] = useState<TestState["connection"]>("online");
  const [report, setReport] = useState<string | null>(null);
  const [handedIn, setHandedIn] = useState<TestState["handedIn"]>("no");
  const [endsAt, setEndsAt] = useState(initial.endsAt);
  /** Items whose values were changed since they were last taken down. */
  const changed = useRef(new Set<string>());
  const spent = useRef(new Map<string, number>());
  const time = useActiveTime();
  const flushing = useRef<Promise<void> | null>(null);
  const item = items[place] as ItemView;
  const id = item.presentationId;
  const values = all[id] ?? emptyValues(item.parts);

  useEffect(() => {
    if (isLookedAt)
      keepTest(personId, initial.sittingId, { all, answered: [...answered], flagged: [...flagged] }, handedIn);
  }, [isLookedAt, personId, initial.sittingId, all, answered, flagged, handedIn]);

  const flushOnce = useCallback(async () => {
    const {
      stopped,
      fates,
      waiting: left,
    } = await flushOutbox(personId, (message, reply) => {
      if (message.sittingId !== initial.sittingId) return;
      setEndsAt(reply.sitting.endsAt);
      if (reply.sitting.finished !== null) setHandedIn("yes");
    });
    setWaiting(left);
    setConnection(stopped === "signed-out" ? "signed-out" : stopped === null ? "online" : "away");
    for (const fate of fates) {
      if (fate.status === "not-counted" && fate.reason === "over") setHandedIn("yes");
      if (fate.status === "not-counted" && fate.reason === "unreadable") {
        setAnswered((before) => new Set([...before].filter((one) => one !== fate.presentationId)));
        setProblem(fate.message);
      }
    }
    const trouble = fates.filter(({ status }) => status === "not-counted" || status === "refused");
    if (
      trouble.some(
        (fate) => fate.status === "refused" || (fate.status === "not-counted" && fate.reason !== "unreadable"),
      )
    )
      setReport(reportOf(trouble));
  }, [initial.sittingId, personId]);

  const flush = useCallback((): Promise<void> => {
    // One after the other, so that nothing overtakes what was written before.
    const next = (flushing.current ?? Promise.resolve()).then(flushOnce, flushOnce);
    flushing.current = next;
    return next;
  }, [flushOnce]);

  /** Takes down what stands on the screen, if it is an answer. */
  const takeDown = useCallback(
    async (of: ItemView, given: PartValues, isFlagged: boolean, isOffline: boolean) => {
      const message: AnswerMessage = {
        key: v7(),
        sittingId: initial.sittingId,
        presentationId: of.presentationId,
        tryNumber: 1,
        response: responseOf(of.parts, given),
        words: wordsOf(of.parts, given),
        ...(JSON.stringify(given).length <= MOST_SCREEN_LETTERS ? { screen: given } : {}),
        flagged: isFlagged,
        hintsUsed: 0,
        milliseconds: spent.current.get(of.presentationId) ?? 0,
        givenAt: serverTime(),
        deviceClock: Date.now(),
        offline: isOffline,
      };
      await keepMessage({ key: message.key, personId, order: await nextOrder(personId, message.givenAt), message });
      setAnswered((before) => new Set(before).add(of.presentationId));
      await flush();
    },
    [flush, initial.sittingId, personId],
  );

  const isAway = connection !== "online";
  const save = useCallback(
    (withProblem: boolean): Promise<void> => {
      spent.current.set(id, (spent.current.get(id) ?? 0) + time.read());
      time.restart();
      if (!changed.current.has(id)) return Promise.resolve();
      const found = problemOf(item.parts, values);
      if (withProblem) setProblem(found);
      if (found !== null) return Promise.resolve();
      changed.current.delete(id);
      return takeDown(item, values, flagged.has(id), isAway);
    },
    [id, item, values, flagged, isAway, takeDown, time.read, time.restart],
  );

  useEffect(() => {
    tellServerTimeOfPage(initial.serverNow);
    void waitingMessages<AnswerMessage | HandInMessage>(personId).then((found) => {
      const own = found.filter(({ message }) => message.sittingId === initial.sittingId);
      const kept = keptTest(personId, initial, own.length > 0);
      if (kept) {
        setAll((page) => ({ ...page, ...kept.all }));
        setAnswered((page) => new Set([...page, ...kept.answered]));
        setFlagged(new Set(kept.flagged));
      }
      if (own.some(({ message }) => "handIn" in message)) setHandedIn("sending");
      setLookedAt(true);
      return found.length > 0 ? flush() : undefined;
    });
  }, [flush, initial, personId]);

  useEffect(() => {
    const timer = setTimeout(() => void save(false), REST_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [save]);

  useEffect(() => {
    if (waiting === 0) return;
    const again = () => void flush();
    const timer = setInterval(again, RETRY_MILLISECONDS);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [waiting, flush]);

  const handIn = useCallback(async () => {
    await save(false);
    const message: HandInMessage = { key: v7(), sittingId: initial.sittingId, handIn: true };
    setHandedIn("sending");
    await keepMessage({ key: message.key, personId, order: await nextOrder(personId, serverTime()), message });
    await flush();
  }, [flush, initial.sittingId, personId, save]);

  const signs = useSigns(initial.sittingId, handedIn === "yes");
  useEffect(() => {
    if (signs.endsAt !== null) setEndsAt(signs.endsAt);
  }, [signs.endsAt]);

  // When the time is up it is handed in by itself, as the server would do it; not while the teacher holds it up.
  const handInLatest = useRef(handIn);
  handInLatest.current = handIn;
  // Ended elsewhere, by the teacher or on another device: what stands on this screen is sent before the page says so.
  useEffect(() => {
    if (signs.finished !== null && handedIn === "no") void handInLatest.current();
  }, [signs.finished, handedIn]);
  useEffect(() => {
    if (endsAt === null || handedIn !== "no" || signs.paused) return;
    return atInstant(endsAt, () => void handInLatest.current());
  }, [endsAt, handedIn, signs.paused]);

  return {
    items,
    place,
    values,
    states: items.map(({ presentationId }) => ({
      answered: answered.has(presentationId),
      flagged: flagged.has(presentationId),
    })),
    problem,
    waiting,
    connection,
    report,
    handedIn,
    endsAt,
    signs,
    set: (change) => {
      changed.current.add(id);
      setProblem(null);
      setAll((before) => ({ ...before, [id]: change(before[id] ?? emptyValues(item.parts)) }));
    },
    go: (to) => {
      void save(false);
      setProblem(null);
      setPlace(Math.min(items.length - 1, Math.max(0, to)));
    },
    flag: () => {
      const isOn = !flagged.has(id);
      setFlagged((before) => new Set(isOn ? [...before, id] : [...before].filter((one) => one !== id)));
      if (answered.has(id) && problemOf(item.parts, values) === null) void takeDown(item, values, isOn, isAway);
    },
    handIn: () => void handIn(),
  };
}

/** What stood on the screen where it was given, as far as it still fits the item's parts. */
function valuesAtFirst(items: readonly ItemView[], standing: WholeView["standing"]) {
  return Object.fromEntries(
    items.map(({ presentationId, parts }) => [
      presentationId,
      { ...emptyValues(parts), ...standing[presentationId]?.screen },
    ]),
  );
}
