import type { Released } from "@/core/model/work";
import type { RuleEffect } from "@/core/work/effectsOfRules";

const SEEN: Readonly<Record<Released, string>> = {
  score: "their score",
  answers: "their answers with the right ones",
  explanations: "explanations",
};

const many = (students: number): string => (students === 1 ? "1 student" : `${students} students`);

/** What a change of rules means for some students, as a sentence. */
export function effectWords(effect: RuleEffect): string {
  const who = many(effect.students);
  switch (effect.what) {
    case "passes":
      return `${who} would be at the cut or above who ${effect.students === 1 ? "is" : "are"} not now.`;
    case "passes-not":
      return `${who} would be below the cut who ${effect.students === 1 ? "is" : "are"} not now.`;
    case "mark":
      return `Another mark would count for ${who}.`;
    case "shown":
      return `${who} would see ${SEEN[effect.of]} at once.`;
    case "hidden":
      return `${who} would see ${SEEN[effect.of]} no longer.`;
    case "opens":
      return `It would be open again for ${who} whose time is over.`;
    case "closes":
      return `It would be closed for ${who} who ${effect.students === 1 ? "is" : "are"} not through.`;
    case "minutes":
      return `${who} at work would go on with the new time, counted from when each began.`;
    case "items":
      return `${who} at work would go on with the new number of items.`;
    case "tries":
      return `${who} at work would have the new number of tries, from the next item on.`;
    case "calculator":
      return `${who} at work would see this when the page is opened again.`;
    case "place":
      return `It would hold at once for ${who} at work.`;
    case "first":
      return `${who} at work would find the order of their work changed.`;
  }
}
