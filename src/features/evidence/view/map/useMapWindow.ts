"use client";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useCallback, useEffect, useRef } from "react";
import { usePrinting } from "@/client/usePrinting";
import type { Reach } from "./useGridKeys";

/** What a screen shows at first, until the browser has measured its own. */
const FIRST = { width: 1000, height: 640 };
const SPARE_ROWS = 8;
const SPARE_COLUMNS = 6;

/** Which part of the map is drawn: what is in view and a little around it, and all of it on paper. */
export function useMapWindow(size: {
  readonly rows: number;
  readonly columns: number;
  readonly rowPixels: number;
  readonly columnPixels: number;
}) {
  const box = useRef<HTMLDivElement>(null);
  const printing = usePrinting();
  const down = useVirtualizer({
    count: size.rows,
    getScrollElement: () => box.current,
    estimateSize: () => size.rowPixels,
    overscan: SPARE_ROWS,
    initialRect: FIRST,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: size.columns,
    getScrollElement: () => box.current,
    estimateSize: () => size.columnPixels,
    overscan: SPARE_COLUMNS,
    initialRect: FIRST,
  });
  // Other students or columns on the same screen may be of another size.
  useEffect(() => {
    down.measure();
    across.measure();
  }, [down, across, size.rowPixels, size.columnPixels]);
  const wanted = useRef<string | null>(null);
  const focusWanted = useCallback(() => {
    const cell = wanted.current && box.current?.querySelector<HTMLElement>(`[data-cell="${wanted.current}"]`);
    if (!cell) return;
    wanted.current = null;
    cell.focus({ preventScroll: true });
  }, []);
  // A cell out of view is drawn first and takes the keyboard then.
  useEffect(focusWanted);
  const reach: Reach = (row, column) => {
    wanted.current = `${row}.${column}`;
    down.scrollToIndex(row);
    across.scrollToIndex(column);
    focusWanted();
  };
  const part = (
    items: readonly { readonly index: number; readonly start: number; readonly end: number }[],
    whole: number,
  ) => ({
    places: items.map(({ index }) => index),
    before: items[0]?.start ?? 0,
    after: Math.max(0, whole - (items.at(-1)?.end ?? 0)),
  });
  const all = (count: number) => ({ places: Array.from({ length: count }, (_, n) => n), before: 0, after: 0 });
  return {
    box,
    reach,
    rows: printing ? all(size.rows) : part(down.getVirtualItems(), down.getTotalSize()),
    columns: printing ? all(size.columns) : part(across.getVirtualItems(), across.getTotalSize()),
  };
}
