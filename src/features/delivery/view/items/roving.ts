import { type KeyboardEvent, useRef, useState } from "react";

/**
 * Where the focus goes in rows of cells by an arrow key, Home or End; null for other keys and at an edge.
 * @example rovedTo(0, "ArrowRight", 6, 3) // 1
 */
export function rovedTo(at: number, key: string, count: number, columns: number): number | null {
  const to = {
    ArrowRight: at + 1,
    ArrowLeft: at - 1,
    ArrowDown: at + columns,
    ArrowUp: at - columns,
    Home: 0,
    End: count - 1,
  }[key];
  return to === undefined || to < 0 || to >= count ? null : to;
}

/** One stop of the tab key for many cells, between which the arrow keys move (elements under `box` with `data-cell`). */
export function useRoving(count: number, columns: number) {
  const [at, setAt] = useState(0);
  const box = useRef<HTMLDivElement>(null);
  const onKeyDown = (event: KeyboardEvent) => {
    const to = rovedTo(at, event.key, count, columns);
    if (to === null) return;
    event.preventDefault();
    setAt(to);
    box.current?.querySelectorAll<HTMLElement>("[data-cell]")[to]?.focus();
  };
  return {
    box,
    onKeyDown,
    cell: (place: number) => ({ tabIndex: place === at ? 0 : -1, onFocus: () => setAt(place) }),
  };
}
