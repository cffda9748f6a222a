/** The pictures of a picture PIN. Their order never changes: a PIN is stored as the numbers of its pictures. */
export const PICTURES = [
  "boat",
  "kite",
  "key",
  "leaf",
  "bell",
  "fish",
  "cup",
  "moon",
  "drum",
  "snail",
  "ladder",
  "umbrella",
] as const;

/** Pictures of one PIN, in their order: 12 to the fourth, twice as many as there are numbers of four digits. */
export const PICTURES_IN_PIN = 4;
