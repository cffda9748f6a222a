import type { Try } from "./conductor";

/** An item is over when it is right or after so many tries; without a connection nothing was told, so there is just one. */
export const overAfterTries =
  (most: number) =>
  ({ right, number, offline }: Try): boolean =>
    right || offline || number >= most;
