/** The four named levels of mastery, from least to most. */
export const LEVELS = ["beginning", "developing", "secure", "extending"] as const;
export type Level = (typeof LEVELS)[number];

/** Display names of the levels; a school may give its own. */
export const LEVEL_NAMES: Readonly<Record<Level, string>> = {
  beginning: "Beginning",
  developing: "Developing",
  secure: "Secure",
  extending: "Extending",
};

/** Lower cuts of Developing and Secure on the chance of mastery. */
export const LEVEL_CUTS = { developing: 0.4, secure: 0.8 } as const;
