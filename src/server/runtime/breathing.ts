import "server-only";

/** Work of a long loop goes on for so long before others get their turn. */
const MOST_MILLISECONDS = 8;

/**
 * For a loop over tens of thousands of things: asked at each turn, it says when to pause, so that a class's answers don't wait
 * for the whole loop. `const pause = breathe(); if (pause) await pause;`
 */
export function breathing(): () => Promise<void> | null {
  let since = performance.now();
  return () => {
    if (performance.now() - since < MOST_MILLISECONDS) return null;
    return new Promise((resolve) =>
      setImmediate(() => {
        since = performance.now();
        resolve();
      }),
    );
  };
}
