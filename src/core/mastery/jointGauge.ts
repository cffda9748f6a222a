import { LEVEL_CUTS, type Level } from "../model/levels";
import { mean } from "../numeric/mean";
import type { Gauge } from "./gaugeOf";
import { levelOf } from "./levelOf";

/** How one student stands in several skills together, such as those of a standard. */
export interface JointGauge {
  /** Mean chance over the skills of which enough is known, 0 to 1; 0 where none is. */
  readonly chance: number;
  readonly level: Level;
  readonly tooLittle: boolean;
  readonly skills: number;
  /** Skills of which enough is known, and those of them in which the student is Secure. */
  readonly known: number;
  readonly secure: number;
  /** Something known is old. */
  readonly old: boolean;
}

/**
 * Several gauges of one student as one. The mean hides what is uneven, so that the number of skills that are Secure belongs beside it.
 * @example jointGauge([{ chance: 0.9, tooLittle: false, old: false }, { chance: 0.5, tooLittle: false, old: false }]).secure // 1
 */
export function jointGauge(gauges: readonly Pick<Gauge, "chance" | "tooLittle" | "old">[]): JointGauge {
  const known = gauges.filter(({ tooLittle }) => !tooLittle);
  const chance = known.length === 0 ? 0 : mean(known.map((gauge) => gauge.chance));
  return {
    chance,
    level: levelOf(chance, false),
    tooLittle: known.length === 0,
    skills: gauges.length,
    known: known.length,
    secure: known.filter((gauge) => gauge.chance >= LEVEL_CUTS.secure).length,
    old: known.some(({ old }) => old),
  };
}
