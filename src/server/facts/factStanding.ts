import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import type { Fact, FactAttempt } from "@/core/fluency/fact";
import type { AttemptsByFact } from "@/core/fluency/factFluency";
import { factOfId } from "@/core/fluency/factOfId";
import { mostAGoal, USUAL_FACT_SETTINGS } from "@/core/fluency/factSettings";
import { limitSeconds } from "@/core/fluency/limitSeconds";
import { typingTime } from "@/core/fluency/typingTime";
import type { FactSettings } from "@/core/model/factSettings";
import {
  attemptsOfKindBy,
  type FactAttemptRow,
  type FactSettingsRow,
  type FactStateRow,
  factSettingsOf,
  factStatesOf,
} from "@/db/queries/facts";
import type { Queryable } from "@/db/queryable";
import type { KeptAttempt } from "@/db/schema/facts";

/** Until somebody's typing was measured. */
const USUAL_SECONDS_PER_DIGIT = 0.7;
/** Copied numbers that a measure is made of, the latest ones. */
export const COPIES = 8;
const MILLISECONDS = 1000;

/** How one student practises facts, and what was shown so far. */
export interface FactStanding {
  readonly classId: string;
  readonly on: boolean;
  readonly settings: FactSettings;
  /** What the student has that differs from the class. */
  readonly own: FactSettingsRow | null;
  /** Null until it was measured. */
  readonly typing: { readonly secondsPerDigit: number; readonly day: string } | null;
  readonly attempts: AttemptsByFact;
  readonly limitOf: (fact: Fact) => number;
}

/** Of some students of one class; of a class that never practised facts, the usual settings, switched off. */
export async function factStandings(
  db: Queryable,
  classId: string,
  personIds: readonly string[],
): Promise<Map<string, FactStanding>> {
  const [rows, states, copies] = await Promise.all([
    factSettingsOf(db, [classId]),
    factStatesOf(db, personIds),
    attemptsOfKindBy(db, personIds, "copy"),
  ]);
  const ofClass = rows.find(({ personId }) => personId === null);
  return new Map(
    personIds.map((personId) => {
      const own = rows.find((row) => row.personId === personId) ?? null;
      const said = { ...USUAL_FACT_SETTINGS, ...ofClass?.settings, ...own?.settings };
      // The class may have changed since the student's own was set: a goal always fits into the minutes.
      const settings = { ...said, goal: Math.min(said.goal, mostAGoal(said)) };
      const typing = typingOf(copies.filter((row) => row.personId === personId));
      const perDigit = typing?.secondsPerDigit ?? USUAL_SECONDS_PER_DIGIT;
      return [
        personId,
        {
          classId,
          on: own?.on ?? ofClass?.on ?? false,
          settings,
          own,
          typing,
          attempts: attemptsOf(states.filter((row) => row.personId === personId)),
          limitOf: (fact: Fact) => limitSeconds(fact, perDigit, settings.thinkingSeconds),
        },
      ];
    }),
  );
}

/** The class in which a student practises facts, of those that they are in: the first that has it on, else the first that ever had. */
export async function factClassOf(
  db: Queryable,
  classIds: readonly string[],
  personId: string,
): Promise<string | null> {
  const rows = await factSettingsOf(db, classIds);
  const isOn = (classId: string) =>
    (
      rows.find((row) => row.classId === classId && row.personId === personId) ??
      rows.find((row) => row.classId === classId && row.personId === null)
    )?.on ?? false;
  return classIds.find(isOn) ?? classIds.find((id) => rows.some(({ classId }) => classId === id)) ?? null;
}

function typingOf(copies: readonly FactAttemptRow[]): FactStanding["typing"] {
  const right = copies.filter((row) => row.right && row.milliseconds > 0).slice(0, COPIES);
  const found = typingTime(
    right.map(({ fact, milliseconds }) => ({ digits: fact.length, seconds: milliseconds / MILLISECONDS })),
  );
  const [latest] = right;
  return "noEstimate" in found || !latest ? null : { secondsPerDigit: found.secondsPerDigit, day: latest.day };
}

function attemptsOf(states: readonly FactStateRow[]): AttemptsByFact {
  return new Map(states.map(({ fact, latest }) => [fact, attemptsAt(fact, latest)]));
}

/** What a summary keeps of a fact as the core looks at it; nothing for what names no fact. */
export function attemptsAt(id: string, latest: readonly KeptAttempt[]): FactAttempt[] {
  const fact = factOfId(id);
  if (!fact) return [];
  return latest.map(([day, milliseconds, right]) => ({
    fact,
    day,
    seconds: milliseconds / MILLISECONDS,
    right: right === 1,
  }));
}

/** An attempt as the core looks at it; null for a copied number. */
export function attemptOf(row: FactAttemptRow): FactAttempt | null {
  const fact = row.kind === "copy" ? null : factOfId(row.fact);
  return fact && { fact, day: dayNumber(row.day), seconds: row.milliseconds / MILLISECONDS, right: row.right };
}
