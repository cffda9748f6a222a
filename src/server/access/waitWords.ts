import "server-only";

const SECOND = 1_000;
const MINUTE = 60 * SECOND;

/** A wait in words, rounded up: "15 seconds", "8 min". */
export function waitWords(milliseconds: number): string {
  const seconds = Math.max(1, Math.ceil(milliseconds / SECOND));
  if (seconds < 60) return `${seconds} ${seconds === 1 ? "second" : "seconds"}`;
  const minutes = Math.ceil(milliseconds / MINUTE);
  return minutes < 100 ? `${minutes} min` : `${Math.ceil(minutes / 60)} hours`;
}
