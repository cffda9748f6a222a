"use client";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { FRAME_KEYS, type FrameKey } from "../../frame/frameParams";

/** The frame in the address: changing a part of it asks for the report anew. */
export function useFrame() {
  const router = useRouter();
  const path = usePathname();
  const search = useSearchParams();
  const withValues = (values: Readonly<Partial<Record<FrameKey, string | null>>>): string => {
    const next = new URLSearchParams(search);
    for (const [key, value] of Object.entries(values)) {
      if (value === null || value === "") next.delete(key);
      else next.set(key, value);
    }
    const text = next.toString();
    return text === "" ? path : `${path}?${text}`;
  };
  return {
    set: (values: Readonly<Partial<Record<FrameKey, string | null>>>) =>
      router.push(withValues(values), { scroll: false }),
    without: (keys: readonly FrameKey[]) =>
      router.push(withValues(Object.fromEntries(keys.map((key) => [key, null]))), { scroll: false }),
    /** The frame alone, as another report takes it along. */
    kept: (): string => {
      const next = new URLSearchParams();
      for (const key of FRAME_KEYS) {
        const value = search.get(key);
        if (value !== null) next.set(key, value);
      }
      const text = next.toString();
      return text === "" ? "" : `?${text}`;
    },
    /** Everything in the address, as a file of the report is asked for with it. */
    all: (): string => search.toString(),
  };
}
