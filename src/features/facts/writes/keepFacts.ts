import "server-only";
import { array, type InferType, number, object, string } from "yup";
import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factDay } from "@/core/fluency/factDay";
import { ATTEMPTS_THAT_COUNT, type AttemptsByFact } from "@/core/fluency/factFluency";
import { factOfId } from "@/core/fluency/factOfId";
import { sameAnswers } from "@/core/fluency/sameAnswers";
import {
  attemptsOnDay,
  type FactAttemptRow,
  factStatesOf,
  keepAttempts,
  keepFactDay,
  keepFactStates,
} from "@/db/queries/facts";
import type { Queryable } from "@/db/queryable";
import { FACT_ATTEMPT_KINDS, type KeptAttempt } from "@/db/schema/facts";
import { attemptOf, attemptsAt, type FactStanding } from "@/server/facts/factStanding";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { uuid, validated } from "@/server/runtime/validated";
import { ownStanding } from "../reads/ownFacts";

const MOST_AT_ONCE = 80;
/** A lid closed over a fact would count as hours. */
const MOST_MILLISECONDS = 120_000;
/** What waited on a device longer is taken for that long ago. */
const MOST_WAIT = 14 * 86_400_000;
const MILLISECONDS = 1000;
const COPIED = /^\d{1,3}$/;

const input = object({
  attempts: array(
    object({
      key: uuid(),
      kind: string()
        .oneOf([...FACT_ATTEMPT_KINDS])
        .required(),
      fact: string().max(8).required(),
      given: number().integer().min(0).max(99_999).nullable().defined(),
      milliseconds: number().min(0).required(),
      /** How long ago it was given, by the device's own reckoning. */
      agoMilliseconds: number().min(0).required(),
    }),
  )
    .min(1)
    .max(MOST_AT_ONCE)
    .required(),
});
type Sent = InferType<typeof input>["attempts"][number];

/**
 * Keeps answers to number facts, in the order in which they were given; also later, when they waited on a device. Whether an answer is right is
 * found here. Sent twice, it is kept once.
 */
export async function keepFacts(context: Context, raw: unknown): Promise<{ readonly kept: number }> {
  const { runtime, actor } = context;
  if (actor.kind !== "student") throw new Refusal("not-allowed", "Only students practise facts.");
  const { attempts } = validated(input, raw);
  const school = await schoolOf(runtime, actor.schoolId);
  return runtime.db.write(async (tx) => {
    const standing = await ownStanding(context, tx);
    // What was given before facts were switched off still counts.
    if (!standing) throw new Refusal("not-found", "Number facts are not on your list.");
    const now = runtime.now();
    const rows = attempts.map((sent) => {
      const at = now - Math.min(MOST_WAIT, Math.round(sent.agoMilliseconds));
      return { ...rowOf(sent, standing), personId: actor.personId, at, day: dayAt(school, at), leftOut: false };
    });
    const days = [...new Set(rows.map(({ day }) => day))];
    const before = new Map<SchoolDay, readonly FactAttemptRow[]>();
    for (const day of days) before.set(day, await attemptsOnDay(tx, actor.personId, day));
    // What is sent again stands among the earlier ones already.
    const stands = new Set([...before.values()].flat().map(({ key }) => key));
    const unseen = rows.filter(({ key }) => !stands.has(key));
    for (const [place, row] of unseen.entries()) {
      const earlier = [...(before.get(row.day) ?? []), ...unseen.slice(0, place + 1)];
      row.leftOut =
        row.kind !== "copy" && sameAnswers(earlier.filter(({ kind, day }) => kind !== "copy" && day === row.day));
    }
    const isNew = await keepAttempts(tx, rows);
    const fresh = rows.filter(({ key }) => isNew.has(key));
    const all = await summarise(tx, actor.personId, fresh, standing);
    const today = dayAt(school, now);
    for (const day of days) await keepDay(tx, { personId: actor.personId, day, isOver: day < today }, standing, all);
    return { kept: fresh.length };
  });
}

function rowOf({ key, kind, fact: id, given, milliseconds }: Sent, { limitOf }: FactStanding) {
  const fact = kind === "copy" ? null : factOfId(id);
  if (kind === "copy" ? !COPIED.test(id) : fact === null)
    throw new Refusal("invalid", "This is no number fact. Reload the page and try again.");
  return {
    key,
    kind,
    fact: id,
    given: given ?? null,
    right: given === (fact ? factAnswer(fact) : Number(id)),
    milliseconds: Math.min(MOST_MILLISECONDS, Math.max(1, Math.round(milliseconds))),
    limitMilliseconds: fact ? Math.round(limitOf(fact) * MILLISECONDS) : null,
  };
}

/** Puts new attempts to what was known of their facts; returns all that counts now. */
async function summarise(
  tx: Queryable,
  personId: string,
  fresh: readonly (ReturnType<typeof rowOf> & { readonly day: SchoolDay; readonly leftOut: boolean })[],
  { attempts }: FactStanding,
): Promise<AttemptsByFact> {
  const all = new Map(attempts);
  const known = await factStatesOf(tx, [personId]);
  const counted = fresh.filter(({ kind, leftOut }) => kind !== "copy" && !leftOut);
  const states = [...new Set(counted.map(({ fact }) => fact))].map((id) => {
    const state = known.find(({ fact }) => fact === id);
    const own = counted
      .filter(({ fact }) => fact === id)
      .map((row): KeptAttempt => [dayNumber(row.day), row.milliseconds, row.right ? 1 : 0]);
    // What waited on a device may come after later days.
    const latest = [...(state?.latest ?? []), ...own].sort((x, y) => x[0] - y[0]).slice(-ATTEMPTS_THAT_COUNT);
    all.set(id, attemptsAt(id, latest));
    return { personId, fact: id, latest, attempts: (state?.attempts ?? 0) + own.length };
  });
  await keepFactStates(tx, states);
  return all;
}

/** The totals of a day, worked out anew from everything given on it. */
async function keepDay(
  tx: Queryable,
  { personId, day, isOver }: { readonly personId: string; readonly day: SchoolDay; readonly isOver: boolean },
  { settings, limitOf }: FactStanding,
  all: AttemptsByFact,
): Promise<void> {
  const rows = await attemptsOnDay(tx, personId, day);
  const given = rows.filter(({ leftOut }) => !leftOut).flatMap((row) => attemptOf(row) ?? []);
  const until = new Map(
    [...all].map(([id, own]) => [id, own.filter((attempt) => attempt.day <= dayNumber(day))] as const),
  );
  const total = factDay(given, until, dayNumber(day), limitOf);
  const row = {
    personId,
    day,
    answered: total.answered,
    right: total.right,
    inTime: total.inTime,
    milliseconds: Math.round(total.seconds * MILLISECONDS),
    newlyFluent: total.newlyFluent,
    goal: settings.goal,
  };
  await keepFactDay(tx, row, isOver);
}
