"use client";
import { useRouter } from "next/navigation";
import useSWR from "swr";

/** How far the reading of a file is: nothing else is asked for meanwhile, however often. */
export type ReadingNow =
  | { readonly state: "reading"; readonly share: number; readonly what: string }
  | { readonly state: "ended" };

const ASK_AGAIN_MILLISECONDS = 400;
const LOOK_AGAIN_MILLISECONDS = 2_000;

async function ask(address: string): Promise<ReadingNow> {
  const response = await fetch(address);
  return response.ok ? await response.json() : { state: "ended" };
}

/**
 * How far the reading of a file is; once it has ended, the page itself is made anew. Out of reach for a moment, it is asked again. Null
 * asks nothing.
 */
export function useReading(address: string | null): ReadingNow | undefined {
  const router = useRouter();
  const { data } = useSWR(address, ask, {
    // The page may be read anew and find another reading under way, since something changed.
    refreshInterval: (latest) => (latest?.state === "ended" ? LOOK_AGAIN_MILLISECONDS : ASK_AGAIN_MILLISECONDS),
    errorRetryInterval: ASK_AGAIN_MILLISECONDS,
    dedupingInterval: 0,
    onSuccess: (latest) => {
      if (latest.state === "ended") router.refresh();
    },
  });
  return data;
}
