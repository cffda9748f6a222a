import { readFileSync } from "node:fs";
import type { SubjectContent } from "@/server/content/contentTypes";
import { RATIO_STRAND } from "~/demo/ratioStrand";
import { shippedContent } from "~/demo/shippedContent";

const pinned = new Set(Object.keys(JSON.parse(readFileSync("tests/fixtures/goldenDraws.json", "utf8")) as object));

/**
 * A library of one strand for tests of everything but the content: what ships of the twelve ratio skills, with the items whose draws
 * are pinned. What is written later changes nothing here.
 */
export const smallLibrary = (): SubjectContent[] =>
  shippedContent()
    .filter(({ subject }) => subject.id === "mathematics")
    .map((content) => ({
      ...content,
      units: content.units.filter((unit) => unit.skills.every((id) => RATIO_STRAND.includes(id))),
      skills: RATIO_STRAND.flatMap((id) => content.skills.filter((skill) => skill.id === id)).map((skill) => ({
        ...skill,
        prerequisites: skill.prerequisites.filter((under) => RATIO_STRAND.includes(under)),
        items: skill.items.filter(({ id }) => pinned.has(id)),
      })),
    }));
