import { message } from "../message";

/** Items that stand together though one gives the other away, by their places in a list. */
export const clashWords = (clashes: readonly (readonly [number, number])[]): string =>
  message(
    "Items {pairs} are kept apart in the library: one gives the other away. Leave one of {count, plural, one {them} other {each two}} out.",
    { count: clashes.length, pairs: clashes.map(([one, other]) => `${one} and ${other}`).join(", ") },
  );
