import { itemParameters } from "@/core/answers/itemParameters";
import { seededRandom } from "@/core/numeric/seededRandom";
import type { DiagnosticItem } from "@/core/selection/diagnostic/diagnosticState";
import { ratioStrand } from "~/content/ratioStrand";
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

/** The shipped item models, 40 draws each; every skill is an area. */
export function shippedBank(): DiagnosticItem[] {
  return ratioStrand.flatMap((skill) =>
    skill.models.flatMap((model) =>
      Array.from({ length: 40 }, (_, seed) => ({
        id: `${model.id}#${seed}`,
        strandId: "strand",
        area: skill.id,
        grade: skill.grade,
        ...itemParameters(model, seed, skill.difficulty),
        seenDaysAgo: null,
        exposure: 0,
      })),
    ),
  );
}
