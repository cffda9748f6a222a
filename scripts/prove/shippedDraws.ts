import { drawParameters } from "@/core/items/drawParameters";
import { itemParameters } from "@/core/items/itemParameters";
import type { ItemCandidate } from "@/core/selection/nextItem";
import { shippedContent } from "~/demo/shippedContent";

/** The shipped skills with so many draws of each of their items. */
export const shippedDraws = (count: number) =>
  shippedContent()
    .flatMap(({ skills }) => skills)
    .map(({ id, grade, difficulty, items }) => ({
      id,
      grade,
      difficulty,
      draws: items.flatMap((item) =>
        Array.from({ length: count }, (_, seed): ItemCandidate => {
          const version = { id: `${item.id}@1`, itemId: item.id, body: item.body };
          const parameters = itemParameters(item.body, drawParameters(version, seed), difficulty);
          return { itemId: item.id, seed, parameters };
        }),
      ),
    }));
