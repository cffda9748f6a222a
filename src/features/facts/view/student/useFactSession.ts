"use client";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { v7 } from "uuid";
import { serverTime, tellServerTimeOfPage } from "@/client/serverClock";
import { answerDrill } from "@/core/fluency/answerDrill";
import type { Drill } from "@/core/fluency/drill";
import { factAnswer } from "@/core/fluency/factAnswer";
import { AWAY_FROM_SECONDS } from "@/core/fluency/factDay";
import { factId } from "@/core/fluency/factId";
import { factOfId } from "@/core/fluency/factOfId";
import { familiesOf } from "@/core/fluency/factSettings";
import { familiesToPlace } from "@/core/fluency/familiesToPlace";
import { limitSeconds } from "@/core/fluency/limitSeconds";
import { nextDrillFact } from "@/core/fluency/nextDrillFact";
import { nextPlacementFact } from "@/core/fluency/nextPlacementFact";
import type { PlacementAnswer } from "@/core/fluency/placeFacts";
import { sameAnswers } from "@/core/fluency/sameAnswers";
import { startDrill } from "@/core/fluency/startDrill";
import { type TypingSample, typingTime } from "@/core/fluency/typingTime";
import type { FactSession } from "../../types";
import { keepFact, sendFacts } from "./factQueue";

const SECONDS_PER_MINUTE = 60;
const MILLISECONDS = 1000;
/** Answers after which what waits is sent. */
const SEND_AFTER = 5;

/** What is asked now: a number to copy, a fact of placement or of the drill. */
export interface Asked {
  readonly kind: "copy" | "place" | "drill";
  /** Id of the fact; of a copied number the number. */
  readonly id: string;
}

/** What was said of the answer before. */
export interface Said {
  readonly id: string;
  readonly right: boolean;
  readonly inTime: boolean;
}

export type SessionEnd = "time" | "nothing-to-ask" | "placed" | "same-answers";

/** A session goes on in the browser alone; answers are kept on the device and sent as the connection has it. */
export function useFactSession(session: FactSession) {
  const { settings, personId } = session;
  const router = useRouter();
  const [copies, setCopies] = useState<readonly TypingSample[]>([]);
  const [copied, setCopied] = useState(0);
  const [placed, setPlaced] = useState(session.placement);
  const [drill, setDrill] = useState<Drill>(() => startDrill(session.drill.unknown, session.drill.known));
  const [given, setGiven] = useState<readonly { given: number | null; right: boolean }[]>([]);
  const [seconds, setSeconds] = useState(session.today.seconds);
  const [inTime, setInTime] = useState(session.today.inTime);
  const [extraMinutes, setExtra] = useState(0);
  const [said, setSaid] = useState<Said | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [waiting, setWaiting] = useState(0);
  const [round, setRound] = useState(0);
  const shownAt = useRef(0);
  const families = useMemo(() => familiesOf(settings), [settings]);
  const perDigit = session.secondsPerDigit ?? measured(copies);

  useEffect(() => tellServerTimeOfPage(session.serverNow), [session.serverNow]);
  useEffect(() => {
    const send = () => void sendFacts(personId).then(setWaiting);
    send();
    window.addEventListener("online", send);
    return () => window.removeEventListener("online", send);
  }, [personId]);

  const minutes = settings.minutesADay + extraMinutes;
  const isOver = seconds >= minutes * SECONDS_PER_MINUTE;
  const wasPlacing = placed.length > session.placement.length;
  const asked = useMemo((): Asked | SessionEnd => {
    if (sameAnswers(given)) return "same-answers";
    const copy = session.copies[copied];
    if (session.secondsPerDigit === null && copy !== undefined) return { kind: "copy", id: String(copy) };
    if (isOver) return "time";
    const place = nextPlacementFact(familiesToPlace(families, placed), placed, Math.random);
    if (place) return { kind: "place", id: factId(place.fact) };
    // What to drill follows from placement: the server knows it once it has the answers.
    if (wasPlacing) return "placed";
    const id = nextDrillFact(drill);
    return id === null ? "nothing-to-ask" : { kind: "drill", id };
  }, [round, extraMinutes]);

  useEffect(() => {
    shownAt.current = performance.now();
    // What is asked while nobody looks is asked anew, with a watch of its own.
    const again = () => {
      shownAt.current = performance.now();
    };
    document.addEventListener("visibilitychange", again);
    return () => document.removeEventListener("visibilitychange", again);
  }, [asked]);

  const sendAndReload = async () => {
    const left = await sendFacts(personId);
    setWaiting(left);
    if (left === 0) router.refresh();
  };
  const isDone = asked === "time" || asked === "nothing-to-ask";
  useEffect(() => {
    if (isDone && round > 0) void sendAndReload();
  }, [isDone]);

  /** Takes an answer; null for "I don't know". */
  const answer = (value: number | null) => {
    if (typeof asked === "string" || wrong !== null) return;
    const milliseconds = performance.now() - shownAt.current;
    const taken = milliseconds / MILLISECONDS;
    const { kind, id } = asked;
    const fact = kind === "copy" ? null : factOfId(id);
    const right = value === (fact ? factAnswer(fact) : Number(id));
    const quick = right && fact !== null && taken <= limitSeconds(fact, perDigit, settings.thinkingSeconds);
    void keepFact(personId, { key: v7(), kind, fact: id, given: value, milliseconds, at: serverTime() });
    if (round % SEND_AFTER === SEND_AFTER - 1) void sendFacts(personId).then(setWaiting);
    if (fact === null) {
      if (right) setCopies([...copies, { digits: id.length, seconds: taken }]);
      setCopied(copied + 1);
    } else {
      setSeconds(seconds + Math.min(taken, AWAY_FROM_SECONDS));
      setGiven([...given, { given: value, right }]);
      if (quick) setInTime(inTime + 1);
    }
    if (kind === "place") {
      const familyId = families.flat().find((family) => family.facts.some((one) => factId(one) === id))?.id ?? "";
      setPlaced([...placed, { familyId, factId: id, known: quick } satisfies PlacementAnswer]);
    }
    if (kind === "drill") setDrill(answerDrill(drill, id, quick));
    setSaid(kind === "drill" ? { id, right, inTime: quick } : null);
    if (kind === "drill" && !right) setWrong(id);
    else setRound(round + 1);
  };

  return {
    asked,
    said,
    /** A fact that was answered wrong: its picture stands until the right answer is typed. */
    wrong,
    goOn: () => {
      setWrong(null);
      setRound(round + 1);
    },
    answer,
    seconds,
    minutes,
    inTime,
    waiting,
    copied,
    more: () => {
      setExtra(extraMinutes + Math.max(2, Math.ceil(seconds / SECONDS_PER_MINUTE) - minutes + 2));
      setGiven([]);
    },
    /** Sends everything, and comes back with what the server makes of it. */
    sendAndReload,
  };
}

/** Until enough was copied, typing is taken for slow: a limit that is too tight would call known facts unknown. */
function measured(copies: readonly TypingSample[]): number {
  const SLOW = 1.2;
  const found = typingTime(copies);
  return "noEstimate" in found ? SLOW : found.secondsPerDigit;
}
