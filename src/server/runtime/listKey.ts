import "server-only";

/**
 * A list as one text, for what is kept by single values: React's cache tells arrays apart by what they are, not by what is in them.
 */
export const keyOfList = (list: readonly string[]): string => JSON.stringify(list);

/** The list behind such a text. */
export const listOfKey = (key: string): string[] => JSON.parse(key) as string[];
