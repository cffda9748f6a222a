import { mostMinutes, type PartSituation } from "./partSituation";

const MINUTE = 60_000;

/**
 * When a test is handed in by itself: at the end of the student's own time or of the work's, whichever comes first. Null where no time is set.
 * @param begun and closesAt are instants in milliseconds since 1970 UTC
 * @example endOfTime({ settings: { items: 5, minutes: 20 }, timeFactor: 1.5, extraMinutes: 0 }, { begun: 0, closesAt: null }) // 1800000
 */
export function endOfTime(
  of: Pick<PartSituation, "settings" | "timeFactor" | "extraMinutes">,
  { begun, closesAt }: { readonly begun: number; readonly closesAt: number | null },
): number | null {
  const minutes = mostMinutes(of);
  const ends = [minutes === null ? null : begun + minutes * MINUTE, closesAt].filter((end) => end !== null);
  return ends.length === 0 ? null : Math.round(Math.min(...ends));
}
