import type { UnitMoment } from "@/core/model/unit";

const TITLES: Readonly<Record<UnitMoment, string>> = { before: "Before", midway: "Halfway through", end: "End of" };

/** What an assessment of a unit is called. */
export const checkTitle = (moment: UnitMoment, unit: string): string => `${TITLES[moment]} ${unit}`.slice(0, 80);
