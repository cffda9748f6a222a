import type { SkillContent } from "@/core/model/content";
import { comparingRates } from "./comparing-rates";
import { constantOfProportionality } from "./constant-of-proportionality";
import { equivalentFractions } from "./equivalent-fractions";
import { equivalentRatios } from "./equivalent-ratios";
import { fractionsOfAmounts } from "./fractions-of-amounts";
import { percentOfAmounts } from "./percent-of-amounts";
import { proportionalOrNot } from "./proportional-or-not";
import { ratioLanguage } from "./ratio-language";
import { ratioTables } from "./ratio-tables";
import { scalingByAFraction } from "./scaling-by-a-fraction";
import { timesAsMany } from "./times-as-many";
import { unitRates } from "./unit-rates";

/** The framework and strand that ship with Oxbow: made up for its demo school, in our own words. */
export const framework = { id: "weir-valley", name: "Weir Valley Learning Standards" } as const;
export const strand = { id: "ratios", name: "Ratios and proportional reasoning" } as const;

/** The strand's skills in teaching order: nothing stands before what it builds on. */
export const ratioStrand: readonly SkillContent[] = [
  timesAsMany,
  equivalentFractions,
  fractionsOfAmounts,
  scalingByAFraction,
  ratioLanguage,
  equivalentRatios,
  ratioTables,
  unitRates,
  comparingRates,
  percentOfAmounts,
  proportionalOrNot,
  constantOfProportionality,
];
