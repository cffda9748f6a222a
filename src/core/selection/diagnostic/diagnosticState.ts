import type { ItemParameters } from "../../measurement/item";
import { demandThat } from "../../model/fail";

/** All rules of a diagnostic, as settings. */
export interface DiagnosticSettings {
  /** A strand ends at this standard error (logits), not before `leastItems` and at the latest at `mostItems`. */
  readonly stopSe: number;
  readonly leastItems: number;
  readonly mostItems: number;
  /** Items within the prior mean +- this many prior standard deviations, and within hard bounds if set (logits). */
  readonly windowSd: number;
  readonly bounds: { readonly low: number; readonly high: number } | null;
  /** Grades whose items may be given, both ends included; never given up for want of items. Null for all. */
  readonly grades: { readonly lowest: number; readonly highest: number } | null;
  /** The next item is drawn among this many best ones, as far as they have this share of the best one's information. */
  readonly randomAmong: number;
  readonly nearBest: number;
  /** Items that at least this share of sittings has met are spared. */
  readonly mostExposure: number;
  /** Items of one passage that are asked, if it has so many: fewer are not worth the reading, more tell ever less. */
  readonly itemsOfPassage: number;
  /** Items met by the student within this many days are never given. */
  readonly unseenDays: number;
}

export const DIAGNOSTIC_SETTINGS: DiagnosticSettings = {
  stopSe: 0.3,
  leastItems: 6,
  mostItems: 20,
  windowSd: 2.5,
  bounds: null,
  grades: null,
  randomAmong: 20,
  nearBest: 0.85,
  mostExposure: 0.25,
  itemsOfPassage: 4,
  unseenDays: 180,
};

/** A strand to be placed: what is believed before, and the share of items each of its areas should get (above 0). */
export interface DiagnosticStrand {
  readonly id: string;
  readonly prior: { readonly mean: number; readonly sd: number };
  readonly blueprint: Readonly<Record<string, number>>;
}

/** An item of the pool, with what its use so far asks to be careful about. */
export interface DiagnosticItem extends ItemParameters {
  readonly id: string;
  readonly strandId: string;
  readonly area: string;
  readonly grade: number;
  /** The passage it hangs on, if any: its items are asked together. */
  readonly passageId?: string | undefined;
  /** Days since this student last met it; null when never. */
  readonly seenDaysAgo: number | null;
  /** Share of earlier sittings that met it, 0 to 1. */
  readonly exposure: number;
}

/** An item given; outcome null while it waits for its answer. */
export interface DiagnosticRecord extends ItemParameters {
  readonly itemId: string;
  readonly strandId: string;
  readonly area: string;
  readonly grade: number;
  readonly passageId?: string | undefined;
  readonly outcome: "right" | "wrong" | "not-learned" | null;
}

/** A whole diagnostic as plain data: written after each answer, it goes on anywhere. */
export interface DiagnosticState {
  readonly settings: DiagnosticSettings;
  readonly strands: readonly DiagnosticStrand[];
  readonly records: readonly DiagnosticRecord[];
  /** Strands that ended because the pool had nothing more to give. */
  readonly exhausted: readonly string[];
  readonly finished: boolean;
}

/** Throws "bad-argument" for settings or strands that no sitting could follow. */
export function demandDiagnostic(settings: DiagnosticSettings, strands: readonly DiagnosticStrand[]): void {
  const { stopSe, leastItems, mostItems, windowSd, randomAmong, nearBest, mostExposure, unseenDays, bounds, grades } =
    settings;
  const { itemsOfPassage } = settings;
  demandThat(
    stopSe > 0 &&
      Number.isInteger(leastItems) &&
      Number.isInteger(mostItems) &&
      leastItems >= 1 &&
      mostItems >= leastItems &&
      windowSd > 0 &&
      Number.isInteger(randomAmong) &&
      randomAmong >= 1 &&
      nearBest > 0 &&
      nearBest <= 1 &&
      mostExposure > 0 &&
      mostExposure <= 1 &&
      Number.isInteger(itemsOfPassage) &&
      itemsOfPassage >= 1 &&
      unseenDays >= 0 &&
      (bounds === null || bounds.low < bounds.high) &&
      (grades === null || grades.lowest <= grades.highest),
    "A diagnostic needs 1 <= least items <= most items, a standard error, window and exposure above 0, and rising bounds.",
    { ...settings },
  );
  for (const { id, prior, blueprint } of strands) {
    const shares = Object.values(blueprint);
    demandThat(
      prior.sd > 0 && Number.isFinite(prior.mean) && shares.length > 0 && shares.every((share) => share > 0),
      `The strand ${id} needs a prior with sd > 0 and areas with shares above 0.`,
      { id },
    );
  }
}
