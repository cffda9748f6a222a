"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { v7 } from "uuid";
import {
  canKeep,
  forgetMessage,
  type KeptWhere,
  keepMessage,
  nextOrder,
  waitingMessages,
} from "@/client/outbox/outbox";
import { serverTime, tellServerTime, tellServerTimeOfPage } from "@/client/serverClock";
import type { AnswerMessage, AnswerOutcome, AnswerReply, Feedback, ItemView, SittingView } from "../types";
import { type Fate, flushOutbox, reportOf } from "./flushOutbox";
import { sendVisits } from "./lessonVisits";
import { sendAnswer } from "./sendAnswer";
import { type HintState, useHint } from "./useHint";

const RETRY_MILLISECONDS = 4000;

/** What stands under the item: nothing yet, what was said to it, or that it is kept for later. */
export type Said =
  | { readonly kind: "nothing" }
  | { readonly kind: "message"; readonly text: string }
  | { readonly kind: "feedback"; readonly feedback: Feedback; readonly itemOver: boolean }
  | { readonly kind: "kept"; readonly where: KeptWhere };

/** An answer as it stands on the screen when it is handed in. */
export interface GivenHere {
  readonly response: AnswerMessage["response"];
  readonly words: string;
  /** Active time of the try. */
  readonly milliseconds: number;
  /** Said to be not learned yet. */
  readonly setAside?: boolean;
}

export interface SittingState {
  readonly personId: string;
  readonly view: SittingView;
  readonly item: ItemView | null;
  readonly said: Said;
  readonly hint: HintState;
  readonly busy: boolean;
  /** Answers that have not reached the server. */
  readonly waiting: number;
  /** Whether this device keeps answers that outlive the page; without that, work needs a connection. */
  readonly keeps: KeptWhere;
  readonly connection: "online" | "away" | "signed-out";
  /** What became of answers that were sent later. */
  readonly report: string | null;
  submit(given: GivenHere): Promise<void>;
  next(): void;
}

/**
 * One student's run at a piece of work in the browser. Each answer is written to this device before it is sent. While the
 * server is away the items held in reserve are shown one after another and the answers wait; they are sent in order as soon
 * as the server is back, also after a reload. The server alone decides what is right and what comes next.
 */
export function useSitting(initial: SittingView, personId: string): SittingState {
  const [view, setView] = useState(initial);
  const [item, setItem] = useState<ItemView | null>(initial.current);
  const [said, setSaid] = useState<Said>(() => saidBefore(initial.current));
  const [busy, setBusy] = useState(false);
  const [waiting, setWaiting] = useState(0);
  const [keeps, setKeeps] = useState<KeptWhere>("device");
  const [connection, setConnection] = useState<SittingState["connection"]>("online");
  const [report, setReport] = useState<string | null>(null);
  const latest = useRef(initial);
  const keptItems = useRef(new Set<string>());
  /** Keys of this page's own answers: they are no earlier page's, however slowly the device tells. */
  const ownKeys = useRef(new Set<string>());
  const flushing = useRef(false);
  /** Fates of a flush that was cut short, told together with the rest. */
  const sentEarlier = useRef<Fate[]>([]);
  const hint = useHint(view.sittingId, item, item?.presentationId === view.current?.presentationId);

  const take = useCallback((fresh: AnswerReply["sitting"]) => {
    tellServerTime(fresh.serverNow);
    latest.current = merged(latest.current, fresh);
    setView(latest.current);
  }, []);

  const showNext = useCallback(() => {
    const { current, reserve } = latest.current;
    const open =
      [current, ...reserve].find(
        (candidate) => candidate !== null && !keptItems.current.has(candidate.presentationId),
      ) ?? null;
    setItem(open);
    setSaid(saidBefore(open));
  }, []);

  /** Sends what waits, in order; stops at the first that does not get through. */
  const flush = useCallback(async () => {
    if (flushing.current) return;
    flushing.current = true;
    try {
      const {
        stopped,
        fates,
        waiting: left,
      } = await flushOutbox(personId, (message, reply) => {
        if (message.sittingId === latest.current.sittingId) take(reply.sitting);
      });
      setWaiting(left);
      setConnection(stopped === "signed-out" ? "signed-out" : stopped === null ? "online" : "away");
      sentEarlier.current.push(...fates);
      if (left > 0) return;
      keptItems.current.clear();
      const words = reportOf(sentEarlier.current);
      sentEarlier.current = [];
      if (words) setReport(words);
    } finally {
      flushing.current = false;
    }
  }, [personId, take]);

  // Answers of an earlier page that never got through are sent first.
  useEffect(() => {
    tellServerTimeOfPage(initial.serverNow);
    void sendVisits(personId);
    void canKeep().then((able) => setKeeps(able ? "device" : "page"));
    void waitingMessages<AnswerMessage>(personId).then(async (found) => {
      const messages = found.filter(({ key }) => !ownKeys.current.has(key));
      if (messages.length === 0) return;
      for (const { message } of messages)
        if (message.sittingId === initial.sittingId) keptItems.current.add(message.presentationId);
      await flush();
      showNext();
    });
  }, [flush, initial.serverNow, initial.sittingId, personId, showNext]);

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

  // An item that ran out while the server was away goes on by itself once it is back.
  useEffect(() => {
    if (waiting === 0 && connection === "online" && item === null && view.finished === null) showNext();
  }, [waiting, connection, item, view, showNext]);

  /** Says what became of an answer that was sent at once. */
  const tell = useCallback(
    (outcome: AnswerOutcome, answered: ItemView) => {
      if (outcome.status === "scored") {
        setItem({ ...answered, tries: answered.tries + 1 });
        setSaid({ kind: "feedback", feedback: outcome.feedback, itemOver: outcome.itemOver });
      } else if (outcome.status === "taken") showNext();
      else if (outcome.reason === "elsewhere" || outcome.reason === "over") {
        showNext();
        setReport(outcome.message);
      } else setSaid({ kind: "message", text: outcome.message });
    },
    [showNext],
  );

  const submit = useCallback(
    async ({ response, words, milliseconds, setAside = false }: GivenHere) => {
      if (!item || busy) return;
      setBusy(true);
      setReport(null);
      const message: AnswerMessage = {
        key: v7(),
        sittingId: latest.current.sittingId,
        presentationId: item.presentationId,
        tryNumber: item.tries + 1,
        response,
        words,
        ...(setAside ? { setAside } : {}),
        hintsUsed: hint.texts.length,
        milliseconds,
        givenAt: serverTime(),
        deviceClock: Date.now(),
        offline: false,
      };
      ownKeys.current.add(message.key);
      const order = await nextOrder(personId, message.givenAt);
      const keep = (kept: AnswerMessage) => keepMessage({ key: kept.key, personId, order, message: kept });
      try {
        await keep(message);
        const earlier = (await waitingMessages(personId)).length > 1;
        // While older answers wait, a newer one must not overtake them.
        const sent = earlier ? ({ state: "unreachable" } as const) : await sendAnswer(message, heldIds(latest.current));
        if (sent.state === "unreachable" || sent.state === "signed-out") {
          const where = await keep({ ...message, offline: true });
          keptItems.current.add(item.presentationId);
          setKeeps(where);
          setConnection(sent.state === "signed-out" ? "signed-out" : "away");
          setWaiting((await waitingMessages(personId)).length);
          setSaid({ kind: "kept", where });
          return;
        }
        await forgetMessage(message.key);
        setConnection("online");
        if (sent.state === "refused") {
          setSaid({ kind: "message", text: sent.message });
          return;
        }
        take(sent.reply.sitting);
        tell(sent.reply.outcome, item);
      } finally {
        setBusy(false);
      }
    },
    [item, busy, hint.texts, personId, take, tell],
  );

  return { personId, view, item, said, hint, busy, waiting, keeps, connection, report, submit, next: showNext };
}

/** Items that the page has: the server does not send them again. */
const heldIds = ({ reserve }: SittingView) => reserve.map(({ presentationId }) => presentationId);

/** The sitting after a reply: items in reserve that the page had already are not in it. */
function merged(before: SittingView, { reserve, ...fresh }: AnswerReply["sitting"]): SittingView {
  const known = [...reserve, ...before.reserve];
  const inReserve = fresh.reserveIds.flatMap((id) => known.find((item) => item.presentationId === id) ?? []);
  return { ...before, ...fresh, reserve: inReserve };
}

function saidBefore(item: ItemView | null): Said {
  return item?.lastFeedback ? { kind: "feedback", feedback: item.lastFeedback, itemOver: false } : { kind: "nothing" };
}
