/** The strand that the demo's two sections of grade 6 work on this autumn, from grade 4 to grade 7. */
export const RATIO_STRAND: readonly string[] = [
  "times-as-many",
  "equivalent-fractions",
  "fractions-of-amounts",
  "scaling-by-a-fraction",
  "ratio-language",
  "equivalent-ratios",
  "ratio-tables",
  "unit-rates",
  "comparing-rates",
  "percent-of-amounts",
  "proportional-or-not",
  "constant-of-proportionality",
];
