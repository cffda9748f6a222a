import "server-only";
import type { DrawnItem } from "@/core/items/drawItem";
import type { ItemVersion } from "@/core/items/itemBody";
import { partParameters } from "@/core/items/partParameters";
import type { Placements } from "@/core/mastery/startingBelief";
import type { ItemParameters } from "@/core/measurement/item";
import type { NewScore } from "@/db/queries/answering";
import type { Library } from "@/server/library/library";

/** What a part earned, as rules or a person say it. */
export interface JudgedPart {
  readonly partId: string;
  readonly earned: number;
  readonly possible: number;
  readonly misconceptionIds: readonly string[];
}

interface Setting {
  readonly personId: string;
  /** The skill that the item was chosen for. */
  readonly skillId: string;
  readonly drawn: DrawnItem;
  readonly version: ItemVersion | undefined;
  /** Parameters of the item as a whole. */
  readonly whole: ItemParameters;
  readonly library: Library;
  readonly grade: number | null;
  /** Where diagnostics have placed the student so far. */
  readonly placements: Placements;
  readonly by: Pick<NewScore, "by" | "scorerId" | "scoredAt">;
}

/** Scores of judged parts, one for each skill that a part tells about. */
export function scoresOfParts(parts: readonly JudgedPart[], setting: Setting): NewScore[] {
  const { personId, skillId: chosen, drawn, version, whole, library, grade, placements, by } = setting;
  return parts.flatMap(({ partId, earned, possible, misconceptionIds }) => {
    const part = drawn.parts.find(({ id }) => id === partId);
    const own = version ? partParameters(version, partId, drawn.values, whole) : whole;
    const { difficulty: chosenFor } = library.skill(chosen);
    return (part?.skillIds ?? [chosen]).map((skillId): NewScore => {
      const { difficulty, strandId } = library.skill(skillId);
      const placed = placements.get(strandId);
      return {
        personId,
        part: partId,
        skillId,
        earned,
        possible,
        points: part?.points ?? 1,
        misconceptionId: misconceptionIds[0] ?? null,
        grade,
        skillDifficulty: difficulty,
        ...own,
        // The item lies as far above or below any of its skills as above or below the one it was chosen for.
        b: own.b - chosenFor + difficulty,
        startTheta: placed?.theta ?? null,
        startSe: placed?.se ?? null,
        ...by,
      };
    });
  });
}
