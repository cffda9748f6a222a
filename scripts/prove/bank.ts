import { seededRandom } from "@/core/numeric/seededRandom";
import type { DiagnosticItem } from "@/core/selection/diagnostic/diagnosticState";
import { normal } from "~/demo/learner";

const AREAS = ["number", "ratio", "expressions", "data"] as const;
export const BLUEPRINT: Readonly<Record<string, number>> = { number: 3, ratio: 3, expressions: 2, data: 2 };

/** A bank with known parameters: slopes around 1.3, difficulties as wide as four grades, every third item a choice. */
export function syntheticBank(size: number): DiagnosticItem[] {
  const random = seededRandom("synthetic bank");
  return Array.from({ length: size }, (_, n) => {
    const b = normal(random, 0, 1.2);
    return {
      id: `i${n}`,
      strandId: "strand",
      area: AREAS[n % AREAS.length] ?? "number",
      grade: Math.round(6 + 2 * b),
      a: Math.exp(normal(random, 0.25, 0.3)),
      b,
      c: n % 3 === 0 ? 0.2 : 0,
      seenDaysAgo: null,
      exposure: 0,
    };
  });
}
