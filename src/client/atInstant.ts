import { serverTime } from "./serverClock";

/** A longer wait than this overflows a browser's timer, and is then no wait at all. */
const LONGEST_WAIT = 2_000_000_000;

/** Calls something at an instant of the server's clock, however far off; what it gives back calls it off. */
export function atInstant(instant: number, call: () => void): () => void {
  let timer: ReturnType<typeof setTimeout>;
  const wait = () => {
    const left = instant - serverTime();
    timer = setTimeout(left > LONGEST_WAIT ? wait : call, Math.max(0, Math.min(left, LONGEST_WAIT)));
  };
  wait();
  return () => clearTimeout(timer);
}
