/** The four named levels of mastery, from least to most. */
export const LEVELS = ["beginning", "developing", "secure", "extending"] as const;
export type Level = (typeof LEVELS)[number];

/** Lower cuts of Developing and Secure on the chance of mastery. */
export const LEVEL_CUTS = { developing: 0.4, secure: 0.8 } as const;
